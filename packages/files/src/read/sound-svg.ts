import { Problem } from '@brachytone/job';

const refuse = (what: string): Problem =>
  new Problem(422, 'Drawing not taken', `The SVG file ${what}. Nothing was added.`);

/** Characters that XML 1.0 (fifth edition, 2.2) forbids; a reader may end over one. */
const FORBIDDEN = /[\0-\x08\x0b\x0c\x0e-\x1f\ufffe\uffff]/; // eslint-disable-line no-control-regex

/** Levels of elements within elements that are read. */
const MOST_DEEP = 400;
/** Elements that are read. */
const MOST_ELEMENTS = 200_000;
/** Letters that names of the document type (entities) may stand for altogether, as often as they are used. */
const MOST_EXPANDED = 1e6;

/** Elements that bring in pictures, by their names without a prefix. */
const PICTURES = /<(\/?)((?:[\w.-]+:)?)(image|feImage|foreignObject)(?=[\s/>])/gi;

/**
 * An SVG file's text made safe to be rendered: nothing in it that could be looked for outside of it (pictures are never line art, and are taken out), no
 * characters that XML forbids, no deeper and not of more elements than is read.
 *
 * @throws Problem that says what is wrong with it
 */
export function soundSvg(text: string): { text: string; hasPictures: boolean } {
  if (FORBIDDEN.test(text)) throw refuse('has characters in it that no XML file may have; it is damaged');
  checkNames(text);
  checkDepth(text);
  const sound = text.replace(PICTURES, '<$1$2desc');
  return { text: sound, hasPictures: sound !== text };
}

/** Names of the document type may stand for words, but for no elements, and for no more than is read. */
function checkNames(text: string): void {
  const declared = [...text.matchAll(/<!ENTITY\s+(%\s+)?([^\s"']+)\s*("[^"]*"|'[^']*')?([^>]*)>/g)];
  let expanded = 0;
  for (const [, parameter, name, value] of declared) {
    if (parameter || !value) throw refuse('takes parts from elsewhere by its document type');
    if (/[<&]/.test(value))
      throw refuse('has elements in the names of its document type, which are not read');
    expanded += (text.split(`&${name};`).length - 1) * value.length;
  }
  if (expanded > MOST_EXPANDED) throw refuse('becomes too long once the names of its document type are read');
}

/** Counts elements, and how deep they lie, without reading more than where each begins and ends. */
function checkDepth(text: string): void {
  let [deep, elements] = [0, 0];
  // Comments, character data and instructions are stepped over; values may hold any sign but their own quotation mark.
  const parts =
    /<!--[\s\S]*?-->|<!\[CDATA\[[\s\S]*?\]\]>|<\?[\s\S]*?\?>|<(\/?)[A-Za-z_:][^\s/>"']*(?:"[^"]*"|'[^']*'|[^>"'])*?(\/?)>/g;
  for (const [all, closes, closed] of text.matchAll(parts)) {
    if (all.startsWith('<!') || all.startsWith('<?')) continue;
    if (closes) deep--;
    else {
      elements++;
      if (!closed) deep++;
    }
    if (deep > MOST_DEEP) throw refuse(`has elements more than ${MOST_DEEP} deep within one another`);
    if (elements > MOST_ELEMENTS)
      throw refuse(`has more than ${MOST_ELEMENTS} elements; make it simpler first`);
  }
}
