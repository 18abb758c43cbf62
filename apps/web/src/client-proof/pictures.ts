import { askPicture } from './ask.ts';

/** Most pictures that are kept: a tile is a megabyte. */
const MOST = 240;
/** Most that are asked for at once; those nobody waits for any more are let go. */
const AT_ONCE = 4;

/** Pictures of the proof by their addresses, lately used last. */
const kept = new Map<string, ImageBitmap>();
const asked = new Map<string, AbortController>();
/** What each part of the page wants to show, and what it does when a picture comes. */
const wishes = new Map<string, { readonly paths: readonly string[]; readonly come: () => void }>();
const wanted = (): readonly string[] => [...wishes.values()].flatMap(({ paths }) => paths);

function askMore(): void {
  for (const path of wanted()) {
    if (asked.size >= AT_ONCE) return;
    if (kept.has(path) || asked.has(path)) continue;
    const gone = new AbortController();
    asked.set(path, gone);
    askPicture(path, gone.signal)
      .then((picture) => {
        kept.set(path, picture);
        for (const [old, bitmap] of kept) {
          if (kept.size <= MOST) break;
          bitmap.close();
          kept.delete(old);
        }
        for (const { come } of wishes.values()) come();
      })
      // What did not come is asked for again when the proof is moved.
      .catch(() => undefined)
      .finally(() => {
        asked.delete(path);
        askMore();
      });
  }
}

/** Says which pictures a part of the page wants now, the first first, and what to do when one comes; gives what takes it back. */
export function want(part: string, paths: readonly string[], come: () => void): () => void {
  wishes.set(part, { paths, come });
  const all = wanted();
  for (const [path, gone] of asked) if (!all.includes(path)) gone.abort();
  askMore();
  return () => void wishes.delete(part);
}

/** A picture that is there. */
export function pictureOf(path: string): ImageBitmap | undefined {
  const found = kept.get(path);
  if (found) {
    kept.delete(path);
    kept.set(path, found);
  }
  return found;
}
