import { PROOF_TILE } from '@brachytone/job';

/** As it will be printed, or the originals before there were dots. */
export type Look = 'print' | 'before';

/** How near the proof is looked at. Every step has pixels of its own: a picture of dots that is scaled has patterns of none. */
export type Step = 'whole' | { readonly level: number; readonly times: number };

/** Film pixels magnified by so much at most. */
const TIMES = [2, 4, 8];

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Steps from the whole sheet to large pixels, for a sheet of film pixels that the whole shows at a scale. */
export function stepsFrom(scale: number): readonly Step[] {
  const levels: Step[] = [];
  for (let level = Math.ceil(Math.log2(1 / scale)) - 1; level >= 0; level--) levels.push({ level, times: 1 });
  return ['whole', ...levels, ...TIMES.map((times) => ({ level: 0, times }))];
}

/** Screen pixels of a film pixel. */
export const scaleOf = (step: Step, whole: number): number =>
  step === 'whole' ? whole : step.times * 2 ** -step.level;

/** Where a sheet lies on the screen: its left top and its scale. */
export interface Lie {
  readonly left: number;
  readonly top: number;
  readonly scale: number;
}

/** A sheet with a point of it (film pixels) at a place on the screen, in whole pixels. */
export const lieAt = (
  scale: number,
  point: { readonly x: number; readonly y: number },
  on: { readonly x: number; readonly y: number },
): Lie => ({
  scale,
  left: Math.round(on.x - point.x * scale),
  top: Math.round(on.y - point.y * scale),
});

/** A sheet that is moved no farther than its middle third stays seen. */
export function kept({ left, top, scale }: Lie, film: Size, box: Size): Lie {
  const held = (at: number, size: number, room: number): number =>
    size <= room
      ? Math.round((room - size) / 2)
      : Math.round(Math.min(room / 3, Math.max((2 * room) / 3 - size, at)));
  return {
    scale,
    left: held(left, film.width * scale, box.width),
    top: held(top, film.height * scale, box.height),
  };
}

/** A tile that is seen, and where it lies on the screen. */
export interface SeenTile {
  readonly path: string;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** Tiles that a box shows of a sheet. */
export function seenTiles(
  { level, times }: Exclude<Step, 'whole'>,
  { left, top, scale }: Lie,
  film: Size,
  box: Size,
  look: Look,
): SeenTile[] {
  const across = PROOF_TILE * 2 ** level;
  const size = PROOF_TILE * times;
  const last = (length: number) => Math.ceil(length / across) - 1;
  const first = (at: number) => Math.max(0, Math.floor(-at / size));
  const until = (at: number, room: number, length: number) =>
    Math.min(last(length), Math.floor((room - 1 - at) / size));
  const tiles: SeenTile[] = [];
  for (let y = first(top); y <= until(top, box.height, film.height); y++)
    for (let x = first(left); x <= until(left, box.width, film.width); x++)
      tiles.push({
        path: `/tiles/${level}/${x}/${y}?look=${look}`,
        left: left + x * size,
        top: top + y * size,
        width: Math.round(Math.min(across, film.width - x * across) * scale),
        height: Math.round(Math.min(across, film.height - y * across) * scale),
      });
  return tiles;
}
