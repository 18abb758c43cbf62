import { createRequire } from 'node:module';
import { constants, deflateSync } from 'node:zlib';
import type { MmBox, Sink } from '@brachytone/core';
import type PDFDocument from 'pdfkit';
import { xmpPacket } from './xmp.ts';

/** The library, loaded when the first file is opened: that takes a quarter of a second, and most threads write none. */
const pdfDocument = (): typeof PDFDocument => createRequire(import.meta.url)('pdfkit') as typeof PDFDocument;

/** Points of a millimetre. */
export const POINTS = 72 / 25.4;

/** A name among the library's information, which it writes all strings of as text: whatever it does not know it writes as it says itself. */
const UNTRAPPED = { [Symbol.toStringTag]: 'Name', toString: () => '/False' };

/** Any object of a PDF that others may point to. */
export type PdfRef = PDFKit.PDFKitReference & { readonly data: Record<string, unknown> };

/** What a file says of itself. */
export interface PdfFacts {
  /** Name of the job. */
  readonly title: string;
  /** What is in it. */
  readonly subject: string;
  /** The day it was made (ISO 8601): all that is not of the job itself, so that the same job gives the same bytes. */
  readonly day: string;
  /** A press's colour profile and what it is called. */
  readonly intent: { readonly profile: Uint8Array; readonly name: string } | undefined;
  /** File of the typeface that text is set in. */
  readonly font: Uint8Array;
}

/** Sizes of a page, mm, and its boxes from its left top corner. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
  readonly trim: MmBox;
  readonly bleed: MmBox;
}

/** A page's operators, as the library keeps them until the page is whole. */
interface Content {
  compress: boolean;
  buffer: readonly Uint8Array[];
  readonly data: Record<string, unknown>;
  write(bytes: Uint8Array): void;
  end(): void;
  finalize(): void;
}

/** Operators packed: paths take less room so than by the library's own way, and half the time. */
export const packOperators = (operators: Uint8Array): Uint8Array =>
  deflateSync(operators, { level: 4, memLevel: 9, strategy: constants.Z_FILTERED });

/** Has operators packed by `packOperators` once they are whole. */
function packed(content: Content): void {
  const finalize = content.finalize.bind(content);
  content.compress = false;
  content.finalize = () => {
    content.buffer = [packOperators(Buffer.concat(content.buffer))];
    content.data.Filter = 'FlateDecode';
    finalize();
  };
}

interface Page {
  content: Content;
  readonly dictionary: { readonly data: Record<string, unknown> };
  readonly resources: { readonly data: Record<string, unknown> };
  readonly xobjects: Record<string, PdfRef>;
  readonly ext_gstates: Record<string, PdfRef>;
}

/** A PDF (ISO 32000-1) that is written as it grows. Content is in points from a page's left top corner, y down. */
export interface PdfFile {
  /** An object of its own; end it when it is whole. */
  ref(data: Record<string, unknown>): PdfRef;
  /** Begins a page; what is drawn goes there until the next. */
  page(size: PageSize): void;
  /** Operators of the page's content. */
  draw(operators: string): void;
  /** The same as `packOperators` packs them: a stream of their own. */
  drawPacked(operators: Uint8Array): void;
  /** Names a resource of the page. */
  name(kind: 'ColorSpace' | 'XObject' | 'ExtGState', name: string, value: unknown): void;
  /** Text that can be found and copied but is not seen, its left top corner in mm, over so much width. */
  hiddenText(text: string, at: { readonly x: number; readonly y: number; readonly width: number }): void;
  /** The library's own document, for text and simple drawing. */
  readonly document: PDFKit.PDFDocument;
  /** Sends on what is whole. */
  flush(): void;
  finish(): void;
}

/**
 * Begins a PDF.
 *
 * @param isForPress true to say it is PDF/X-4 (ISO 15930-7): there has to be a profile, and nothing that X-4 forbids
 */
export function openPdf(sink: Sink, facts: PdfFacts, isForPress: boolean): PdfFile {
  const { title, subject, day, intent, font } = facts;
  const made = new Date(`${day}T00:00:00Z`);
  const document = new (pdfDocument())({
    autoFirstPage: false,
    margin: 0,
    pdfVersion: '1.6' as never,
    font: font as never,
    info: {
      Title: title,
      Subject: subject,
      Creator: 'Brachytone',
      Producer: 'Brachytone',
      CreationDate: made,
      ModDate: made,
      ...{ Trapped: UNTRAPPED },
    },
  });
  const catalog = (document as unknown as { _root: { data: Record<string, unknown> } })._root.data;
  const metadata = document.ref({ Type: 'Metadata', Subtype: 'XML' });
  // Readers that know no PDF look for it as plain text.
  (metadata as unknown as { compress: boolean }).compress = false;
  metadata.end(Buffer.from(xmpPacket({ title, subject, day, isForPress })));
  catalog.Metadata = metadata;
  if (intent) {
    const profile = document.ref({ N: channelsOf(intent.profile) });
    profile.end(Buffer.from(intent.profile));
    catalog.OutputIntents = [
      {
        Type: 'OutputIntent',
        S: 'GTS_PDFX',
        OutputConditionIdentifier: literal('Custom'),
        Info: literal(intent.name),
        OutputCondition: literal(intent.name),
        RegistryName: literal(''),
        DestOutputProfile: profile,
      },
    ];
  }
  const flush = () => {
    for (let part = document.read() as Buffer | null; part; part = document.read() as Buffer | null)
      sink.write(part);
  };
  const page = () => document.page as unknown as Page;
  return {
    document,
    flush,
    ref: (data) => document.ref(data),
    page({ width, height, trim, bleed }) {
      const [wide, high] = [width * POINTS, height * POINTS];
      document.addPage({ size: [wide, high], margin: 0 });
      packed(page().content);
      page().dictionary.data.Contents = [page().content];
      const box = (of: MmBox) => [
        of.x * POINTS,
        high - (of.y + of.height) * POINTS,
        (of.x + of.width) * POINTS,
        high - of.y * POINTS,
      ];
      Object.assign(page().dictionary.data, { TrimBox: box(trim), BleedBox: box(bleed) });
    },
    // The library takes text letter by letter.
    draw: (operators) => page().content.write(Buffer.from(`${operators}\n`, 'latin1')),
    drawPacked(operators) {
      const now = page();
      now.content.end();
      const stream = document.ref({ Filter: 'FlateDecode' });
      stream.end(Buffer.from(operators));
      // What follows goes on where this ends (ISO 32000-1, table 30).
      now.content = document.ref({}) as unknown as Content;
      packed(now.content);
      (now.dictionary.data.Contents as unknown[]).push(stream, now.content);
      flush();
    },
    name(kind, id, value) {
      const { resources, xobjects, ext_gstates: states } = page();
      if (kind === 'XObject') xobjects[id] = value as PdfRef;
      else if (kind === 'ExtGState') states[id] = value as PdfRef;
      else
        resources.data.ColorSpace = {
          ...(resources.data.ColorSpace as object | undefined),
          [id]: value,
        };
    },
    hiddenText(text, { x, y, width }) {
      document.addContent('q 3 Tr');
      const lines = text.split('\n');
      document.fontSize(10);
      const widest = Math.max(...lines.map((line) => document.widthOfString(line))) || 1;
      const size = (10 * width * POINTS) / widest;
      document.fontSize(size);
      lines.forEach((line, i) =>
        document.text(line, x * POINTS, y * POINTS + i * size * 1.2, { lineBreak: false }),
      );
      document.addContent('Q');
    },
    finish() {
      document.end();
      flush();
    },
  };
}

/** Colour channels of an ICC profile, by the signature of its colour space (ICC.1:2022, section 7.2.6). */
function channelsOf(profile: Uint8Array): number {
  const space = String.fromCharCode(...profile.subarray(16, 20));
  return space === 'CMYK' ? 4 : space === 'GRAY' ? 1 : 3;
}

/** A PDF string, not a name: the library writes strings of JavaScript as names. */

export const literal = (text: string): unknown => new String(text);

/** A text as a PDF name: every byte that is no letter or digit as # and two hexadecimal digits (section 7.3.5). */
export const name = (text: string): string =>
  [...new TextEncoder().encode(text)]
    .map((byte) =>
      /[A-Za-z0-9]/.test(String.fromCharCode(byte))
        ? String.fromCharCode(byte)
        : `#${byte.toString(16).padStart(2, '0').toUpperCase()}`,
    )
    .join('');
