import type { ClientProof } from '@brachytone/job';
import { useEffect, useEffectEvent, useRef } from 'react';
import { pictureOf, want } from './pictures.ts';
import { lieAt, seenTiles, type Look } from './steps.ts';

/** Across, CSS pixels. */
const ACROSS = 240;
/** Screen pixels of a film pixel. */
const TIMES = 3;

/** Every dot under the pointer. */
export function Loupe({
  proof,
  look,
  point,
  at,
  ratio,
}: {
  proof: ClientProof;
  look: Look;
  /** Film pixels. */
  point: { readonly x: number; readonly y: number };
  /** CSS pixels. */
  at: { readonly x: number; readonly y: number };
  ratio: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const across = Math.round(ACROSS * ratio);
  const box = { width: across, height: across };
  const lie = lieAt(TIMES, point, { x: across / 2, y: across / 2 });
  const tiles = seenTiles({ level: 0, times: TIMES }, lie, proof.film, box, look);
  const draw = useEffectEvent(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.imageSmoothingEnabled = false;
    context.fillStyle = '#b9b8b4';
    context.fillRect(0, 0, across, across);
    context.fillStyle = proof.stock.colour;
    context.fillRect(lie.left, lie.top, proof.film.width * TIMES, proof.film.height * TIMES);
    for (const tile of tiles) {
      const picture = pictureOf(tile.path);
      if (picture) context.drawImage(picture, tile.left, tile.top, tile.width, tile.height);
    }
  });
  const paths = tiles.map(({ path }) => path).join(' ');
  useEffect(() => want('loupe', paths.split(' ').filter(Boolean), () => draw()), [paths]);
  useEffect(() => draw(), [paths, lie.left, lie.top]);
  return (
    <canvas
      ref={canvas}
      aria-hidden
      width={across}
      height={across}
      className="pointer-events-none absolute rounded-full border-2 border-raised shadow-[0_2px_14px_rgb(0_0_0/0.45)]"
      style={{ width: ACROSS, height: ACROSS, left: at.x - ACROSS / 2, top: at.y - ACROSS / 2 }}
    />
  );
}
