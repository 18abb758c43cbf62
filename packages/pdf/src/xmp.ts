/** What a file's metadata say. */
export interface XmpFacts {
  readonly title: string;
  readonly subject: string;
  /** ISO 8601. */
  readonly day: string;
  /** True to say it is PDF/X-4. */
  readonly isForPress: boolean;
}

const escaped = (text: string): string =>
  text.replace(/[<>&]/g, (letter) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;' })[letter] ?? letter);

/** Metadata as an XMP packet (ISO 16684-1): says what the document's own information says. */
export function xmpPacket({ title, subject, day, isForPress }: XmpFacts): string {
  const date = `${day}T00:00:00Z`;
  const forPress = isForPress
    ? `
   <pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion>
   <pdf:Trapped>False</pdf:Trapped>`
    : '';
  return `<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/">
 <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
  <rdf:Description rdf:about=""
    xmlns:dc="http://purl.org/dc/elements/1.1/"
    xmlns:xmp="http://ns.adobe.com/xap/1.0/"
    xmlns:pdf="http://ns.adobe.com/pdf/1.3/"
    xmlns:pdfxid="http://www.npes.org/pdfx/ns/id/">
   <dc:format>application/pdf</dc:format>
   <dc:title><rdf:Alt><rdf:li xml:lang="x-default">${escaped(title)}</rdf:li></rdf:Alt></dc:title>
   <dc:description><rdf:Alt><rdf:li xml:lang="x-default">${escaped(subject)}</rdf:li></rdf:Alt></dc:description>
   <xmp:CreateDate>${date}</xmp:CreateDate>
   <xmp:ModifyDate>${date}</xmp:ModifyDate>
   <xmp:MetadataDate>${date}</xmp:MetadataDate>
   <xmp:CreatorTool>Brachytone</xmp:CreatorTool>
   <pdf:Producer>Brachytone</pdf:Producer>${forPress}
  </rdf:Description>
 </rdf:RDF>
</x:xmpmeta>
<?xpacket end="w"?>`;
}
