/** Installs, builds and serves. On a fresh clone it needs nothing but Node.js. */
import { build, install, run, SERVER_ENV } from './steps.mjs';

const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Brachytone needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}
await install();
await build();
process.exit(
  await run(process.execPath, ['--enable-source-maps', 'apps/server/dist/main.js'], { env: SERVER_ENV }),
);
