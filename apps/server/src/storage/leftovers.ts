import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';

/** Throws away what a server that was killed was in the middle of: archives on their way in, pictures on their way out, pictures half written. */
export async function clearLeftovers(dataFolder: string): Promise<void> {
  await rm(join(dataFolder, 'incoming'), { recursive: true, force: true });
  const proofs = join(dataFolder, 'proofs');
  for (const name of await readdir(proofs).catch(() => []))
    if (!/^[0-9a-f]{64}\.png$/.test(name)) await rm(join(proofs, name), { recursive: true, force: true });
}
