/**
 * Says whether a change changes any bit: `npm run fingerprints -- FILE` writes the SHA-256 of everything that the built server makes of the
 * demo jobs and of every kind of screen and dot shape; when the file is there already, what differs from it is listed.
 */
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build as bundle } from 'esbuild';
import { build, install } from './steps.mjs';

const PORT = 4297;
const [file] = process.argv.slice(2);
if (!file) {
  console.error('Name the file to write, or to compare with.');
  process.exit(2);
}
await install();
await build();

const { outputFiles } = await bundle({
  stdin: {
    contents: "export { newScreen, SCREEN_KINDS, SPOTS } from '@brachytone/core';",
    resolveDir: 'apps/server',
  },
  bundle: true,
  format: 'esm',
  write: false,
});
const core = await import(
  `data:text/javascript;base64,${Buffer.from(outputFiles[0].contents).toString('base64')}`
);

const folder = mkdtempSync(join(tmpdir(), 'fingerprints-'));
const server = spawn(process.execPath, ['apps/server/dist/main.js'], {
  env: { ...process.env, BRACHYTONE_DATA: folder, PORT: String(PORT), DATABASE_URL: '' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) =>
  server.stdout.on('data', (text) => String(text).includes('is at') && resolve()),
);

const api = `http://127.0.0.1:${PORT}/api`;
const sha256 = (bytes) => createHash('sha256').update(bytes).digest('hex');
async function ask(path, body) {
  const response = await fetch(
    `${api}/${path}`,
    body && { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) },
  );
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  return response;
}
const json = async (path, body) => (await ask(path, body)).json();
const fingerprint = async (path) => sha256(new Uint8Array(await (await ask(path)).arrayBuffer()));

const found = {};
/** Makes the films of a document and takes their fingerprints, and what share each inks. */
async function films(label, document) {
  const { id } = await json('jobs', { document });
  let run = await json('runs', { jobId: id });
  while (run.status === 'queued' || run.status === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 50));
    run = await json(`runs/${run.id}`);
  }
  if (run.status !== 'done') found[label] = run.status;
  for (const film of run.status === 'done' ? run.films : [])
    found[`${label} · ${film.file}`] =
      `${await fingerprint(`runs/${run.id}/films/${film.file}`)} ${film.inked}`;
  console.log(label);
}

const at = (document, resolution, options, plates = (plate) => plate) => ({
  ...document,
  films: { ...document.films, ...options },
  recipe: {
    ...document.recipe,
    sheet: { ...document.recipe.sheet, resolution: resolution ?? document.recipe.sheet.resolution },
    plates: document.recipe.plates.map(plates),
  },
});

try {
  const { jobs: listed } = await json('jobs?order=name&most=200');
  const jobs = await Promise.all(listed.map(({ id }) => json(`jobs/${id}`)));
  for (const { id, document } of jobs) {
    const { name } = document;
    found[`${name} · proof`] = await fingerprint(`jobs/${id}/proof.png?longer=700`);
    await films(`${name} · film`, at(document, null, { format: 'tiff-group4' }));
    await films(`${name} · mirrored`, at(document, 300, { format: 'tiff-deflate', mirrored: true }));
    await films(`${name} · negative`, at(document, 300, { format: 'png', negative: true }));
    await films(`${name} · geometry`, at(document, 300, { format: 'svg' }));
    await films(`${name} · all in one`, at(document, 300, { format: 'svg', together: true, smooth: 1 }));
    const worked = (plate, i) => ({
      ...plate,
      weight: 30 - 20 * i,
      edgeSpread: i % 2 ? 0.4 : -0.4,
      knocksOut: i === 1,
    });
    await films(`${name} · worked`, at(document, 200, { format: 'png' }, worked));
  }
  const [{ document }] = jobs.filter(({ document: { name } }) => name === 'Low tide card');
  const screens = [
    ...core.SCREEN_KINDS.map(({ kind }) => [kind, core.newScreen(kind)]),
    ...core.SPOTS.map(({ id }) => [
      `dots, ${id}`,
      core.newScreen('dots', { spot: id, ruling: 20, angle: 37 }),
    ]),
    ...core.SPOTS.map(({ id }) => [`arcs, ${id}`, core.newScreen('lines', { spot: id, path: 'arc' })]),
  ].flatMap(([label, screen]) => [
    [label, screen],
    [`${label}, limited`, { ...screen, smallest: 5, largest: 90 }],
    [`${label}, coarse`, { ...screen, coarse: 60 }],
  ]);
  for (const [label, screen] of screens)
    for (const format of ['png', 'svg'])
      await films(
        `${label} · ${format}`,
        at(document, 200, { format }, (plate) => ({ ...plate, screen })),
      );
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}

if (existsSync(file)) {
  const before = JSON.parse(readFileSync(file, 'utf8'));
  const names = [...new Set([...Object.keys(before), ...Object.keys(found)])];
  const different = names.filter((name) => before[name] !== found[name]);
  for (const name of different) console.log(`differs: ${name}`);
  console.log(`${names.length} compared, ${different.length} differ.`);
  process.exitCode = different.length === 0 ? 0 : 1;
} else {
  writeFileSync(file, `${JSON.stringify(found, null, 1)}\n`);
  console.log(`${Object.keys(found).length} fingerprints in ${file}.`);
}
