import type { ZipFile } from 'yazl';
import type { FinishedFilm } from './runs.service.ts';

/** Adds a film to an archive under a name; it is opened when its turn has come. */
export function addFilm(zip: ZipFile, name: string, { made, open }: FinishedFilm): void {
  zip.addReadStreamLazy(name, { compress: false, mtime: made }, (give) => {
    open().then(
      (bytes) => give(null, bytes),
      (error: unknown) => give(error, undefined as never),
    );
  });
}
