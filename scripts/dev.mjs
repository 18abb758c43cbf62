/** Serves with hot reload: the server starts again when it is rebuilt, the interface is served by Vite. */
import { createServer } from 'vite';
import { buildServer, watchServer } from './build.mjs';
import { install, run } from './steps.mjs';

await install();
await buildServer();
void run(process.execPath, ['--enable-source-maps', '--watch', 'apps/server/dist/main.js']);
await watchServer();
const web = await createServer({ root: 'apps/web', server: { port: 4181, host: '127.0.0.1' } });
await web.listen();
web.printUrls();
