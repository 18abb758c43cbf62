/** Gathers the licence notices of all that ships: packages of the registry that are no tools of development, and typefaces. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './steps.mjs';

const TYPEFACES = join(ROOT, 'apps/server/typefaces');
/** Texts of licences that packages name without bringing them. */
const TEXTS = join(ROOT, 'scripts/licence-texts');
const NOTICES = /^(licen[cs]e|copying|notice)/i;

/** What a package says its licence is; undefined where it says nothing. */
function declared({ license, licenses }) {
  if (typeof license === 'string') return license;
  const types = [license, ...(licenses ?? [])].flatMap((one) => (one?.type ? [one.type] : []));
  return types.length > 0 ? types.join(' OR ') : undefined;
}

/** What a first line of a licence's text calls it, for packages that do not say. */
const TOLD = [
  [/\bMIT\b/, 'MIT'],
  [/Permission is hereby granted, free of charge/, 'MIT'],
  [/ISC License/, 'ISC'],
  [/Apache License\s+Version 2\.0/, 'Apache-2.0'],
];

function noticeOf(folder) {
  return readdirSync(folder)
    .filter((name) => NOTICES.test(name))
    .map((name) => readFileSync(join(folder, name), 'utf8').trim())
    .join('\n\n');
}

/** Every shipped package that is installed, by its name: version, licence, text; `isDeclared` is false where only its text says so. */
export function licences() {
  const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
  const found = new Map();
  for (const [place, { dev, devOptional, link }] of Object.entries(packages)) {
    const file = join(ROOT, place, 'package.json');
    if (!place.includes('node_modules/') || dev || devOptional || link || !existsSync(file)) continue;
    const own = JSON.parse(readFileSync(file, 'utf8'));
    const says = declared(own);
    const named = join(TEXTS, `${says}.txt`);
    const text = noticeOf(join(ROOT, place)) || (existsSync(named) ? readFileSync(named, 'utf8').trim() : '');
    const licence = says ?? TOLD.find(([words]) => words.test(text))?.[1] ?? '';
    const { name, version } = own;
    found.set(`${name} ${version}`, { name, version, licence, isDeclared: says !== undefined, text });
  }
  for (const file of readdirSync(TYPEFACES).filter((name) => name.endsWith('.OFL.txt'))) {
    const name = `Typeface ${file.replace('.OFL.txt', '').replaceAll('-', ' ')}`;
    const text = readFileSync(join(TYPEFACES, file), 'utf8').trim();
    found.set(name, { name, version: '', licence: 'OFL-1.1', isDeclared: true, text });
  }
  return [...found.values()].sort((a, b) => a.name.localeCompare(b.name, 'en'));
}
