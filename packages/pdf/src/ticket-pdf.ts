import { memorySink } from '@brachytone/core';
import { openPdf, POINTS, type PdfFile } from './pdf-file.ts';
import type { Ticket, TicketPlate } from './ticket.ts';

/** A4, mm. */
const PAGE = { width: 210, height: 297 };
const MARGIN = 14;
const WIDE = PAGE.width - 2 * MARGIN;
/** Sizes of type, points. */
const TYPE = { title: 17, head: 10, plain: 8.2, small: 6.6 };
const SOFT = '#6b6558';
const INK = '#1e1d1b';
const LINE = '#cfc6b4';
const SEVERITY: Readonly<Record<string, string>> = { fail: 'will fail', risky: 'risky', note: 'note' };

/**
 * A job's ticket as PDF: its picture, what it is printed with and on, and the files that belong to it.
 *
 * @param picture of the print, as PNG
 */
export function ticketPdf(ticket: Ticket, picture: Uint8Array, font: Uint8Array): Uint8Array {
  const sink = memorySink();
  const subject = `Job ticket: ${ticket.plates.map(({ ink }) => ink).join(', ')}`;
  const file = openPdf(sink, { title: ticket.job, subject, day: ticket.day, intent: undefined, font }, false);
  const whole = { x: 0, y: 0, ...PAGE };
  const page = () => file.page({ ...PAGE, trim: whole, bleed: whole });
  page();
  const pen = new Pen(file, page);
  heading(pen, ticket, picture);
  inks(pen, ticket);
  transfers(pen, ticket);
  list(pen, 'Press check', findingLines(ticket));
  list(
    pen,
    'Files',
    ticket.files.map((one) => [one.file, bytesWords(one.bytes), one.sha256]),
  );
  file.finish();
  return sink.bytes();
}

/** Where the next thing is drawn, mm; begins another page where there is no room. */
class Pen {
  y = MARGIN;

  constructor(
    readonly file: PdfFile,
    private readonly next: () => void,
  ) {}

  /** Makes room for so much. */
  room(height: number): void {
    if (this.y + height <= PAGE.height - MARGIN) return;
    this.next();
    this.y = MARGIN;
  }

  text(
    words: string,
    x: number,
    y: number,
    {
      size = TYPE.plain,
      colour = INK,
      width = WIDE,
      align = 'left',
    }: { size?: number; colour?: string; width?: number; align?: 'left' | 'right' } = {},
  ): void {
    const { document } = this.file;
    document.fontSize(size).fillColor(colour);
    // One line: what is too long is cut.
    document.text(words, x * POINTS, y * POINTS, {
      width: width * POINTS,
      height: size * 1.3,
      align,
      lineBreak: false,
      ellipsis: true,
    });
  }

  rule(y: number): void {
    const { document } = this.file;
    document
      .moveTo(MARGIN * POINTS, y * POINTS)
      .lineTo((PAGE.width - MARGIN) * POINTS, y * POINTS)
      .lineWidth(0.4)
      .strokeColor(LINE)
      .stroke();
  }

  head(words: string): void {
    this.room(16);
    this.y += 3;
    this.rule(this.y);
    this.text(words, MARGIN, this.y + 2, { size: TYPE.head });
    this.y += 8;
  }
}

function heading(
  pen: Pen,
  { job, day, sheet, film, resolution, stock, press, approval }: Ticket,
  picture: Uint8Array,
): void {
  const { document } = pen.file;
  const box = { width: 78, height: 62 };
  const left = MARGIN + box.width + 8;
  document.image(Buffer.from(picture), MARGIN * POINTS, MARGIN * POINTS, {
    fit: [box.width * POINTS, box.height * POINTS],
  });
  const wide = PAGE.width - MARGIN - left;
  pen.text(job, left, MARGIN - 1, { size: TYPE.title, width: wide });
  pen.text(`Job ticket, ${day}`, left, MARGIN + 8, { colour: SOFT, width: wide });
  const facts: [string, string][] = [
    [
      'Sheet',
      `${number(sheet.width)} × ${number(sheet.height)} mm${sheet.bleed ? `, bleed ${number(sheet.bleed)} mm` : ''}`,
    ],
    ['Film', `${number(film.width)} × ${number(film.height)} mm at ${resolution} dpi`],
    ['Stock', stock.name],
    ['Press', press ? `${press.name}${press.compensates ? '' : ', its gain not met'}` : 'not chosen'],
    ...(approval === null ? [] : [['Proof', approval] satisfies [string, string]]),
  ];
  facts.forEach(([name, value], i) => {
    const y = MARGIN + 17 + 6 * i;
    pen.text(name, left, y, { colour: SOFT, width: 18 });
    const hasSwatch = name === 'Stock';
    if (hasSwatch) swatch(pen, left + 18, y - 0.4, 3.8, stock.colour);
    const from = left + 18 + (hasSwatch ? 5.6 : 0);
    pen.text(value, from, y, { width: PAGE.width - MARGIN - from });
  });
  pen.y = MARGIN + box.height + 2;
}

function swatch(pen: Pen, x: number, y: number, side: number, colour: string): void {
  pen.file.document
    .rect(x * POINTS, y * POINTS, side * POINTS, side * POINTS)
    .lineWidth(0.4)
    .fillAndStroke(colour, LINE);
}

const COLUMNS = { ink: 12, covers: 62, screen: 84, made: 122, share: 158 };

function inks(pen: Pen, { plates }: Ticket): void {
  pen.head('Inks, in printing order');
  const titles: [keyof typeof COLUMNS, string][] = [
    ['covers', 'hides'],
    ['screen', 'screen'],
    ['made', 'as made'],
    ['share', 'inked'],
  ];
  for (const [column, title] of titles)
    pen.text(title, MARGIN + COLUMNS[column], pen.y, { size: TYPE.small, colour: SOFT, width: 30 });
  pen.y += 4;
  for (const plate of plates) {
    pen.room(10);
    swatch(pen, MARGIN, pen.y, 7, plate.colour);
    const at = (column: keyof typeof COLUMNS) => MARGIN + COLUMNS[column];
    pen.text(`${plate.place}  ${plate.ink}`, at('ink'), pen.y, { width: 48 });
    pen.text(`Lab ${plate.lab.map((one) => one.toFixed(1)).join('  ')}`, at('ink'), pen.y + 3.6, {
      size: TYPE.small,
      colour: SOFT,
      width: 48,
    });
    pen.text(`${number(plate.covers)} %`, at('covers'), pen.y, { width: 20 });
    pen.text(plate.screen, at('screen'), pen.y, { width: 37 });
    pen.text(
      plate.made ? `${plate.made.ruling.toFixed(2)} lpi, ${plate.made.angle.toFixed(2)}°` : 'no lattice',
      at('made'),
      pen.y,
      { width: 35 },
    );
    pen.text(`${plate.share.toFixed(1)} %, ${number(plate.area)} cm²`, at('share'), pen.y, { width: 26 });
    pen.y += 9.5;
  }
}

/** Side of a chart, mm. */
const CHART = 34;
const APART = 12;

/** Asked to film and to print, a chart for each plate. */
function transfers(pen: Pen, { plates }: Ticket): void {
  pen.head('Asked → film (line) → printed (dashes)');
  const each = Math.floor((WIDE + APART) / (CHART + APART));
  for (let from = 0; from < plates.length; from += each) {
    pen.room(CHART + 10);
    plates
      .slice(from, from + each)
      .forEach((plate, i) => chart(pen, plate, MARGIN + i * (CHART + APART), pen.y));
    pen.y += CHART + 8;
  }
}

function chart({ file }: Pen, plate: TicketPlate, x: number, y: number): void {
  const { document } = file;
  const [left, top, side] = [x, y, CHART].map((mm) => mm * POINTS);
  document.rect(left, top, side, side).lineWidth(0.4).strokeColor(LINE).stroke();
  const curve = (of: (one: TicketPlate['transfer'][number]) => number) => {
    plate.transfer.forEach((one, i) => {
      const [u, v] = [left + (one.asked / 100) * side, top + side - (of(one) / 100) * side];
      if (i === 0) document.moveTo(u, v);
      else document.lineTo(u, v);
    });
  };
  curve(({ film }) => film);
  document.lineWidth(1).strokeColor(plate.colour).stroke();
  curve(({ printed }) => printed);
  document.lineWidth(0.8).dash(2.5, { space: 2 }).strokeColor(INK).stroke().undash();
  document.fontSize(TYPE.small).fillColor(SOFT);
  document.text(plate.ink, left, top + side + 3, { width: side, lineBreak: false, ellipsis: true });
}

const findingLines = ({ findings }: Ticket): string[][] =>
  findings.length === 0
    ? [['Nothing was found.']]
    : findings.map(({ severity, says }) => [SEVERITY[severity] ?? severity, says]);

/** Lines of two or three columns; the second is as long as it has to be. */
function list(pen: Pen, title: string, lines: readonly (readonly string[])[]): void {
  if (lines.length === 0) return;
  pen.head(title);
  const { document } = pen.file;
  for (const [first, second, third] of lines) {
    const width = (WIDE - 20) * POINTS;
    document.fontSize(TYPE.plain);
    const isPlain = third !== undefined || second === undefined;
    const tall = isPlain ? 5 : document.heightOfString(second, { width }) / POINTS + 1.5;
    pen.room(tall + (third ? 4 : 0));
    if (isPlain) {
      pen.text(first, MARGIN, pen.y, { width: WIDE - 30 });
      if (second) pen.text(second, PAGE.width - MARGIN - 30, pen.y, { width: 30, align: 'right' });
      if (third) pen.text(`SHA-256 ${third}`, MARGIN, pen.y + 3.6, { size: TYPE.small, colour: SOFT });
      pen.y += third ? 8.5 : 5;
      continue;
    }
    pen.text(first, MARGIN, pen.y, { colour: SOFT, width: 20 });
    document.fontSize(TYPE.plain).fillColor(INK);
    document.text(second, (MARGIN + 20) * POINTS, pen.y * POINTS, { width });
    pen.y += tall;
  }
}

const number = (value: number): string => String(Number(value.toFixed(1)));

const bytesWords = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
