/**
 * Lists every word a person may read or have read out: labels, titles, messages and names for screen readers, of the page and of what the
 * server answers, each once, with the file it is in. `npm run words` prints them, `npm run words -- PART` those that hold PART.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import process from 'node:process';
import ts from 'typescript';

const FILES = [
  'apps/web/src',
  'apps/server/src',
  'packages/core/src',
  'packages/job/src',
  'packages/pdf/src',
];
/** Properties and attributes whose strings are read. */
const READ = new Set([
  'label',
  'title',
  'name',
  'says',
  'placeholder',
  'aria-label',
  'ariaLabel',
  'alt',
  'add',
  'subtract',
  'words',
  'why',
  'ask',
  'text',
  'detail',
  'message',
  'description',
]);
/** Calls whose strings are read. */
const SAID = /^(toast|edit|error|set|change|told|problem|say)|Error$|Exception$|Problem$/;

/** The text of a node, with … for what is put in; undefined where it has none of its own. */
function textOf(node) {
  if (ts.isStringLiteralLike(node)) return node.text;
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join('');
  return undefined;
}

/** True for what reads like words, not like an id, a class or a key. */
const isWords = (text) =>
  /\p{L}{2}/u.test(text) &&
  (/^\p{Lu}/u.test(text) || /\p{L} \p{L}/u.test(text)) &&
  !/[{}<>]|^[a-z]+-\[|\bflex\b|\bborder-/.test(text);

/** Every string in a file that a person may read, in order. */
export function wordsOf(file, source = readFileSync(file, 'utf8')) {
  const tree = ts.createSourceFile(
    file,
    source,
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found = [];
  const take = (node) => {
    const text = textOf(node)?.replace(/\s+/g, ' ').trim();
    if (text && isWords(text)) found.push(text);
  };
  const under = (node) => {
    if (ts.isConditionalExpression(node)) [node.whenTrue, node.whenFalse].forEach(under);
    else if (ts.isBinaryExpression(node)) [node.left, node.right].forEach(under);
    else if (ts.isParenthesizedExpression(node)) under(node.expression);
    else if (ts.isJsxExpression(node)) [node.expression].filter(Boolean).forEach(under);
    else take(node);
  };
  const visit = (node) => {
    if (ts.isJsxText(node)) {
      const text = node.text.replace(/\s+/g, ' ').trim();
      if (/\p{L}{2}/u.test(text)) found.push(text);
    } else if (ts.isJsxAttribute(node) && READ.has(node.name.getText()) && node.initializer)
      under(node.initializer);
    else if (ts.isJsxExpression(node) && node.expression && !ts.isJsxAttribute(node.parent))
      under(node.expression);
    else if (ts.isPropertyAssignment(node) && READ.has(node.name.getText().replace(/['"]/g, '')))
      under(node.initializer);
    else if (
      (ts.isCallExpression(node) || ts.isNewExpression(node)) &&
      SAID.test(node.expression.getText().split('.').pop())
    )
      node.arguments?.forEach(under);
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

/** Files whose words people meet. */
export const wordFiles = () =>
  FILES.flatMap((folder) =>
    readdirSync(folder, { recursive: true })
      .map((file) => join(folder, String(file)))
      .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|testing|torture/.test(file)),
  ).sort();

if (process.argv[1]?.endsWith('words.mjs')) {
  const part = process.argv[2]?.toLowerCase();
  const seen = new Set();
  for (const file of wordFiles()) {
    const words = wordsOf(file).filter(
      (text) => !seen.has(text) && seen.add(text) && (!part || text.toLowerCase().includes(part)),
    );
    if (words.length > 0) console.log(`\n${file}\n${words.map((text) => `  ${text}`).join('\n')}`);
  }
}
