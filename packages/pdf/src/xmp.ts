/** What a file's metadata say. */
export interface XmpFacts {
  readonly title: string;
  readonly subject: string;
  /** ISO 8601. */
  readonly day: string;
  /** True to say it is PDF/X-4. */
  readonly isForPress: boolean;
}

/** Names of the schemas of XMP's properties, as ISO 16684-1 and ISO 15930-7 lay them down: readers know them by these alone. */
const SCHEMAS = {
  dc: 'http://purl.org/dc/elements/1.1/',
  xmp: 'http://ns.adobe.com/xap/1.0/',
  pdf: 'http://ns.adobe.com/pdf/1.3/',
  pdfxid: 'http://www.npes.org/pdfx/ns/id/',
};

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
  const schemas = Object.entries(SCHEMAS)
    .map(([prefix, uri]) => `xmlns:${prefix}="${uri}"`)
    .join(' ');
  return `<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
  <rdf:Description rdf:about=""
    ${schemas}>
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
<?xpacket end="w"?>`;
}
