/** Steps that several commands share. Uses only what Node.js itself brings, so that it runs before anything is installed. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));

/**
 * What the server runs with, so that memory goes back to the system: few arenas for all threads, and what is large apart
 * from the rest.
 */
export const SERVER_ENV = { MALLOC_ARENA_MAX: '2', MALLOC_MMAP_THRESHOLD_: '262144', ...process.env };

/** Runs a command to its end with its output shown; gives its exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.on('error', () => resolve(127));
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}

export async function must(what, command, args, options) {
  const code = await run(command, args, options);
  if (code !== 0) {
    console.error(`${what} did not work (exit code ${code}).`);
    process.exit(code);
  }
}

const digest = (text) => createHash('sha256').update(text).digest('hex');

function stamp(name) {
  const folder = join(ROOT, 'node_modules', '.stamp');
  return {
    is: (value) => existsSync(join(folder, name)) && readFileSync(join(folder, name), 'utf8') === value,
    set: (value) => {
      mkdirSync(folder, { recursive: true });
      writeFileSync(join(folder, name), value);
    },
  };
}

/** Installs the packages of the lock file, if they are not there as it says. */
export async function install() {
  const value = digest(readFileSync(join(ROOT, 'package-lock.json')));
  const mark = stamp('install');
  if (mark.is(value)) return;
  console.log('Installing packages…');
  // Not `npm ci`: it insists that the lock file lists the binaries of every other system too.
  await must('Installing packages', 'npm', ['install', '--no-save', '--no-audit', '--no-fund']);
  mark.set(value);
}

function* files(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', 'test', 'drizzle'].includes(entry.name)) continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* files(path);
    else yield path;
  }
}

/** Builds server and interface, if anything they are made of has changed. */
export async function build() {
  const sources = ['packages', 'apps', 'demo/src', 'scripts'].flatMap((name) => [...files(join(ROOT, name))]);
  const value = digest(
    sources
      .sort()
      .map((path) => `${path} ${statSync(path).mtimeMs} ${statSync(path).size}`)
      .join('\n'),
  );
  const mark = stamp('build');
  const built = [
    'apps/server/dist/main.js',
    'apps/server/dist/worker.js',
    'apps/server/dist/reader.js',
    'apps/server/dist/film-worker.js',
    'apps/cli/dist/brachytone.js',
    'apps/web/dist/index.html',
  ];
  if (mark.is(value) && built.every((path) => existsSync(join(ROOT, path)))) return;
  console.log('Building…');
  await must('Building', process.execPath, ['scripts/build.mjs']);
  mark.set(value);
}

const has = (command) => spawnSync(command, ['--version'], { stdio: 'ignore' }).error === undefined;

/** Sees to the system's programs that the tests use: Chromium, the tools of libtiff and Little CMS, readers of PDF, a
 * press's profile. */
export async function systemTools() {
  const wanted = [
    ['chromium', has('chromium')],
    ['libtiff-tools', has('tiffinfo')],
    ['liblcms2-utils', has('transicc')],
    ['ghostscript', has('gs')],
    ['poppler-utils', has('pdftoppm')],
    ['qpdf', has('qpdf')],
    ['postgresql', existsSync('/usr/lib/postgresql')],
    ['libgs-common', existsSync('/usr/share/color/icc/ghostscript/default_cmyk.icc')],
  ].filter(([, there]) => !there);
  if (wanted.length === 0) return;
  const names = wanted.map(([name]) => name);
  if (process.getuid?.() !== 0 || !has('apt-get')) {
    console.error(
      `The tests need ${names.join(' and ')} from the system’s packages. Install them and try again.`,
    );
    process.exit(1);
  }
  console.log(`Installing ${names.join(' and ')} from the system’s packages…`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await must('apt-get update', 'apt-get', ['update', '-q'], { env });
  await must('apt-get install', 'apt-get', ['install', '-qy', '--no-install-recommends', ...names], { env });
}
