import { cpSync, rmSync } from 'node:fs';
import { Server } from './server.ts';

/**
 * Data folders that every test's server begins with a copy of: an empty one, and one with the demo jobs and their pictures.
 * To make a database and to draw a whole board takes longer than most tests.
 */
export default async function prepareFolders(): Promise<() => void> {
  const [empty, board] = [new Server(4322), new Server(4322, true)];
  await empty.start();
  await empty.end();
  cpSync(empty.folder, board.folder, { recursive: true });
  await board.start();
  for (const { id, revision } of await board.jobs()) {
    const picture = await fetch(`${board.url}/api/jobs/${id}/proof.png?longer=224&revision=${revision}`);
    if (!picture.ok) throw new Error(`A demo job has no proof: ${picture.status} ${await picture.text()}`);
  }
  await board.end();
  process.env.BRACHYTONE_PREPARED = JSON.stringify({ empty: empty.folder, board: board.folder });
  return () => [empty, board].forEach(({ folder }) => rmSync(folder, { recursive: true, force: true }));
}
