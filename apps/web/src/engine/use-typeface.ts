import type { Typeface } from '@brachytone/core';
import { LRUCache } from 'lru-cache';
import { useEffect, useState } from 'react';

/** Typefaces on the page itself, by the SHA-256 of their files, those used longest ago dropped first. */
const faces = new LRUCache<string, Promise<Typeface>>({ max: 20 });

/** A typeface on the page itself, to lay out lettering with. */
export function typefaceOf(sha256: string): Promise<Typeface> {
  let face = faces.get(sha256);
  if (!face) {
    face = fetch(`/api/files/${sha256}/font`).then(async (response) => {
      if (!response.ok) throw new Error('The typeface could not be fetched.');
      // What reads typefaces is only fetched for lettering.
      const { readTypeface } = await import('@brachytone/typeface');
      return readTypeface(new Uint8Array(await response.arrayBuffer()));
    });
    faces.set(sha256, face);
    face.catch(() => faces.delete(sha256));
  }
  return face;
}

/** The same for a component; undefined until it has arrived. */
export function useTypeface(sha256: string): Typeface | undefined {
  const [arrived, setArrived] = useState<{ sha256: string; face: Typeface }>();
  useEffect(() => {
    let stale = false;
    typefaceOf(sha256).then(
      (face) => !stale && setArrived({ sha256, face }),
      () => undefined,
    );
    return () => {
      stale = true;
    };
  }, [sha256]);
  return arrived?.sha256 === sha256 ? arrived.face : undefined;
}
