import { inkOf } from '../ink/ink-of.ts';
import { overprints } from '../ink/overprint.ts';
import { dotGrating, meshGrating, type Grating } from '../press/grating.ts';
import { markShare } from '../press/thread-mark.ts';
import { beatsOf, type Beat, type Seen } from '../press/moire.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import type { Recipe } from '../recipe/recipe.ts';
import { latticeOf } from '../screen/screen.ts';
import { present } from '../base/present.ts';

/** Tones that are looked at: patterns are loudest where dots are neither small nor touch. */
const TONES = [0.3, 0.5, 0.7];
/** Orders of a screen's dots against another's, against each other two's, and against a mesh, whose threads are finer. */
const [PAIR, TRIPLE, MESH] = [3, 2, 6];
const MESH_ORDERS = 3;
/** Contrast of light from which on a pattern is seen. */
const SEEN = 0.01;
/** Periods that are seen, mm; shorter ones, and those of so few cells, are the rosette that dots of any angles make. */
const SHORTEST = 0.5;
const ROSETTE = 4;
/** Share of the sheet beyond which a pattern is a slow change that nobody takes for one. */
const SHEET = 1 / 4;

/** A pattern that a plate's dots make with something. */
export interface LoudBeat extends Beat {
  /** Plates it is made with, and whether the mesh is. */
  readonly plates: readonly number[];
  readonly mesh: boolean;
}

/** Plates that are printed and have dots on a straight lattice. */
export const straightPlates = ({ plates }: Recipe): number[] =>
  plates.flatMap(({ printed, screen }, i) =>
    printed && screen.coarse === 0 && latticeOf(screen)?.supercell ? [i] : [],
  );

/** Light, 0–1, that a set of plates leaves. */
function lightOf({ stock, inks, overprints: measured, plates }: Recipe, set: readonly number[]): number {
  const list = set.map((plate) => inkOf(inks, plates[plate].ink));
  const light = overprints(stock, list, measured);
  const [r, g, b] = light[light.length - 1];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Light that goes with the product of plates: what all of them take away beyond what fewer do. */
function depthOf(recipe: Recipe, set: readonly number[]): number {
  let sum = 0;
  for (let mask = 0; mask < 1 << set.length; mask++) {
    const chosen = set.filter((_, i) => mask & (1 << i));
    sum += ((set.length - chosen.length) % 2 === 0 ? 1 : -1) * lightOf(recipe, chosen);
  }
  return sum;
}

/** A plate's dots by tone, at an angle or at its own. */
function gratingsOf({ plates, sheet }: Recipe, plate: number): (tone: number, angle?: number) => Grating {
  const lattice = present(latticeOf(plates[plate].screen), 'lattice');
  const own = present(lattice.supercell, 'straight lattice')(sheet.resolution);
  return (tone, angle) =>
    dotGrating(lattice, angle === undefined ? own : { ruling: lattice.ruling, angle }, tone);
}

const rulingOf = ({ plates }: Recipe, plate: number): number =>
  latticeOf(plates[plate].screen)?.ruling ?? Infinity;

function seenOf(recipe: Recipe, plates: readonly number[]): Seen {
  const { width, height } = recipe.sheet;
  const coarsest = Math.min(...plates.map((plate) => rulingOf(recipe, plate)));
  return {
    shortest: Math.max(SHORTEST, (ROSETTE * MM_PER_INCH) / coarsest),
    longest: Math.max(width, height) * SHEET,
    contrast: SEEN,
  };
}

const loudest = (beats: readonly (Beat | undefined)[]): Beat | undefined =>
  beats.reduce((most, beat) => (beat && (!most || beat.contrast > most.contrast) ? beat : most), undefined);

/** The loudest pattern that a plate makes with something, at an angle or at its own; undefined where none is seen. */
type BeatAt = (angle?: number) => LoudBeat | undefined;

/** Patterns of a plate's dots with the mesh. */
export function meshBeats(recipe: Recipe, plate: number): BeatAt {
  const mesh = recipe.press?.press.mesh;
  if (!mesh) return () => undefined;
  const depth = lightOf(recipe, []) - lightOf(recipe, [plate]);
  const seen = seenOf(recipe, [plate]);
  const dots = gratingsOf(recipe, plate);
  const threads = meshGrating(mesh, markShare(mesh));
  return (angle) => {
    const found = loudest(
      TONES.map((tone) => beatsOf([dots(tone, angle), threads], depth, [MESH, MESH_ORDERS], seen)[0]),
    );
    return found && { ...found, plates: [plate], mesh: true };
  };
}

/** Patterns of two plates' dots, by the angle of the first. */
export function pairBeats(recipe: Recipe, plate: number, other: number): BeatAt {
  const depth = depthOf(recipe, [plate, other]);
  const seen = seenOf(recipe, [plate, other]);
  const dots = gratingsOf(recipe, plate);
  const gratings = gratingsOf(recipe, other);
  const others = TONES.map((tone) => gratings(tone));
  return (angle) => {
    const found = loudest(
      TONES.map((tone, i) => beatsOf([dots(tone, angle), others[i]], depth, [PAIR, PAIR], seen)[0]),
    );
    return found && { ...found, plates: [plate, other], mesh: false };
  };
}

/** The loudest pattern of three plates' dots that no two of them make. */
export function tripleBeat(recipe: Recipe, set: readonly [number, number, number]): LoudBeat | undefined {
  const gratings = set.map((plate) => gratingsOf(recipe, plate)(0.5));
  const found = beatsOf(gratings, depthOf(recipe, set), [TRIPLE, TRIPLE, TRIPLE], seenOf(recipe, set))[0];
  return found && { ...found, plates: set, mesh: false };
}

/** Degrees from one angle of a dial to the next, and angles on it: dots that are turned by 180° are the same. */
export const DIAL_STEP = 0.5;
const DIAL_ANGLES = 180 / DIAL_STEP;

/** How loud a plate's patterns with the mesh and the other plates would be at any angle. */
export interface AngleDial {
  /** Contrast of light, 0–1, by `DIAL_STEP` degrees from 0 on; 0 where nothing is seen. */
  readonly mesh: Float64Array;
  readonly plates: Float64Array;
  /** The plate's own angle, 0–180. */
  readonly angle: number;
  /** The nearest quiet one; the least loud where none is quiet. */
  readonly quiet: number;
}

/** A plate's dial; undefined where it has no straight lattice. */
export function angleDial(recipe: Recipe, plate: number): AngleDial | undefined {
  const straight = straightPlates(recipe);
  if (!straight.includes(plate)) return undefined;
  const withMesh = meshBeats(recipe, plate);
  const withOthers = straight.filter((one) => one !== plate).map((other) => pairBeats(recipe, plate, other));
  const angles = Array.from({ length: DIAL_ANGLES }, (_, k) => k * DIAL_STEP);
  const mesh = Float64Array.from(angles, (angle) => withMesh(angle)?.contrast ?? 0);
  const plates = Float64Array.from(angles, (angle) =>
    withOthers.reduce((most, beatAt) => Math.max(most, beatAt(angle)?.contrast ?? 0), 0),
  );
  const { settings } = recipe.plates[plate].screen;
  const own = ((Number(settings.angle) % 180) + 180) % 180;
  return { mesh, plates, angle: own, quiet: quietest(mesh, plates, own) };
}

/** The angle nearest to a plate's own that is quiet, and stays so a step to either side; or the least loud of all. */
function quietest(mesh: Float64Array, plates: Float64Array, own: number): number {
  const at = (k: number): number => {
    const i = ((k % DIAL_ANGLES) + DIAL_ANGLES) % DIAL_ANGLES;
    return Math.max(mesh[i], plates[i]);
  };
  const around = (k: number): number => Math.max(at(k - 1), at(k), at(k + 1));
  const from = Math.round(own / DIAL_STEP);
  let best = from;
  for (let step = 0; step <= DIAL_ANGLES / 2; step++) {
    for (const k of [from + step, from - step]) {
      if (around(k) === 0) return angleAt(k);
      if (around(k) < around(best)) best = k;
    }
  }
  return angleAt(best);
}

const angleAt = (k: number): number => (((k % DIAL_ANGLES) + DIAL_ANGLES) % DIAL_ANGLES) * DIAL_STEP;
