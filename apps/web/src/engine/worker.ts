import {
  angleDial,
  inkSetOf,
  buildPyramid,
  coloursAt,
  labsOf,
  pickColours,
  sourcePixels,
  pressProof,
  reachSummary,
  routeModel,
  reachView,
  type AngleDial,
  type Intent,
  type Lab,
  type ProofLook,
  type SeparationTable,
  colourAt,
  coverageToPercent,
  beginTask,
  levelCount,
  asPrinted,
  dotTransfer,
  filmForecast,
  seamCosts,
  originalView,
  plateBits,
  plateCoverage,
  preparePlate,
  pressCheckInParts,
  proof,
  readPam,
  slowBecause,
  smallSource,
  toneHistogram,
  vectorSize,
  toneView,
  type Typeface,
  type VectorOptions,
  type VectorSize,
  weightsThatPart,
  type Bits,
  type Drawing,
  type FilmForecast,
  type FilmWords,
  type Finding,
  type Frame,
  type HueWeights,
  type LinearRgb,
  type Panels,
  type Pyramid,
  type OriginalRecipe,
  type Recipe,
  type Region,
  type Shown,
  type View,
  type ViewRows,
} from '@brachytone/core';
import { expose, transfer } from 'comlink';
import { KeptRecipes } from './kept-recipes.ts';
import { drawSwatch, type Swatch } from './swatch.ts';

/** What to draw, and how much of it. */
export interface DrawRequest {
  readonly recipe: Recipe;
  readonly frame: Frame;
  readonly view: View;
  readonly rows: ViewRows;
  /** Screen pixels each way that are drawn as one; 1 unless given. The first row and the number of rows are multiples of it. */
  readonly blocks?: number;
  readonly what:
    | { readonly kind: 'original'; readonly cutting?: string }
    | { readonly kind: 'plate'; readonly plate: number; readonly ends: boolean }
    | {
        readonly kind: 'bits';
        readonly plates: readonly number[];
        readonly colours: readonly LinearRgb[];
        /** The film's words, where the grid is that of a whole film, with its marks. */
        readonly film?: FilmWords;
      }
    | { readonly kind: 'proof'; readonly plates: readonly number[]; readonly look: ProofLook }
    /** Where an original's colours are beyond its inks. */
    | { readonly kind: 'reach'; readonly original: string };
}

/** The same, its recipe one that is kept under a number. */
export type DrawOrder = Omit<DrawRequest, 'recipe'> & { readonly recipe: number };

/** What prints solid in ruby, what stays bare in the blue that never prints. */
const ENDS = { solid: [168, 31, 61], bare: [47, 143, 196] };

/** Pixels of a plate that are made at once where it has to be made from the top. */
const PREPARED = 6e6;
/** Pixels of an original that its inks are picked by. */
const PICKED = 6_000;
/** Pixels of an original that are counted for a histogram. */
const COUNTED = 120_000;

const pictures = new Map<string, Pyramid>();
const drawings = new Map<string, Drawing>();
const typefaces = new Map<string, Typeface>();
const tables = new Map<string, SeparationTable>();
const materials = { pictures, drawings, typefaces, tables };
const recipes = new KeptRecipes();
const shared = (bytes: number): SharedArrayBuffer => new SharedArrayBuffer(bytes);

async function fetchLevel(sha256: string, level: number) {
  const response = await fetch(`/api/files/${sha256}/levels/${level}`);
  if (!response.ok) throw new Error('The original could not be fetched.');
  return readPam(new Uint8Array(await response.arrayBuffer()), shared);
}

/** A picture whose pixels become blocks. */
function enlarged(
  rgba: Uint8ClampedArray,
  columns: number,
  blocks: number,
  width: number,
  height: number,
): Uint8ClampedArray<ArrayBuffer> {
  const from = new Uint32Array(rgba.buffer, rgba.byteOffset, rgba.length / 4);
  const out = new Uint32Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    const row = Math.floor(y / blocks) * columns;
    for (let x = 0; x < width; x++, i++) out[i] = from[row + Math.floor(x / blocks)];
  }
  return new Uint8ClampedArray(out.buffer);
}

/** Three pictures of a plate's tone at a place, percent. */
export interface ToneReading {
  readonly asked: number;
  readonly film: number;
  readonly printed: number;
}

const workerApi = {
  /** Why this worker's kernels are the slow ones; undefined when they are not. */
  slowBecause: (): string | undefined => slowBecause,

  /** Fetches one small level of a picture, to show something soon. */
  async fetchSmall(sha256: string, width: number, height: number, level: number): Promise<Pyramid> {
    const levels: Pyramid['levels'][number][] = Array.from(
      { length: levelCount(width, height) },
      () => undefined,
    );
    levels[level] = await fetchLevel(sha256, level);
    return { width, height, levels };
  },

  /** Fetches the whole picture and makes its pyramid, in memory all workers share. */
  async fetchWhole(sha256: string): Promise<Pyramid> {
    return buildPyramid(await fetchLevel(sha256, 0), shared);
  },

  /** Fetches line art as geometry. */
  async fetchDrawing(sha256: string): Promise<Drawing> {
    const response = await fetch(`/api/files/${sha256}/drawing`);
    if (!response.ok) throw new Error('The original could not be fetched.');
    return (await response.json()) as Drawing;
  },

  /** Fetches the separation that a press's profile gives. */
  async fetchTable(profile: string, intent: Intent, compensate: boolean): Promise<SeparationTable> {
    const query = new URLSearchParams({ intent, compensate: String(compensate) });
    const response = await fetch(`/api/files/${profile}/separation?${query.toString()}`);
    if (!response.ok) throw new Error('The separation could not be fetched.');
    const data = new Uint16Array(await response.arrayBuffer());
    return { size: Math.round(Math.cbrt(data.length / 4)), inks: 4, data };
  },

  keepTable(name: string, table: SeparationTable): void {
    tables.set(name, table);
  },

  /** Fetches a typeface's file. */
  async fetchFont(sha256: string): Promise<Uint8Array> {
    const response = await fetch(`/api/files/${sha256}/font`);
    if (!response.ok) throw new Error('The typeface could not be fetched.');
    return new Uint8Array(await response.arrayBuffer());
  },

  async keepFont(sha256: string, font: Uint8Array): Promise<void> {
    // What reads typefaces is only fetched for lettering.
    const { readTypeface } = await import('@brachytone/typeface');
    typefaces.set(sha256, readTypeface(font));
  },

  keepDrawing(sha256: string, drawing: Drawing): void {
    drawings.set(sha256, drawing);
  },

  keepPicture(sha256: string, pyramid: Pyramid): void {
    pictures.set(sha256, pyramid);
  },

  keepRecipe(number: number, recipe: Recipe): void {
    recipes.keep(number, recipe);
  },

  draw(order: DrawOrder): Shown {
    const request = { ...order, recipe: recipes.recipe(order.recipe) };
    const { blocks = 1, view, rows } = request;
    if (blocks === 1) return workerApi.drawn(request);
    const small = { ...view, columns: Math.ceil(view.columns / blocks), rows: Math.ceil(view.rows / blocks) };
    const part = { first: rows.first / blocks, count: Math.ceil(rows.count / blocks) };
    // Whole blocks cover a little more than the view.
    const wide = {
      ...small,
      width: (view.width * small.columns * blocks) / view.columns,
      height: (view.height * small.rows * blocks) / view.rows,
    };
    const { rgba, inked } = workerApi.drawn({ ...request, view: wide, rows: part, blocks: 1 });
    const large = enlarged(rgba, small.columns, blocks, view.columns, rows.count);
    return transfer({ rgba: large, inked }, [large.buffer]);
  },

  /** The same, pixel by pixel. */
  drawn({ recipe, frame, view, rows, what }: DrawRequest): Shown {
    beginTask();
    const request = { scene: { recipe, ...materials }, frame, view, rows };
    if (what.kind === 'bits') {
      const shown = proof(
        { ...request, plates: what.plates, ...(what.film ? { film: what.film } : {}) },
        what.colours,
      );
      return transfer(shown, [shown.rgba.buffer]);
    }
    if (what.kind === 'proof') {
      const shown = pressProof({ ...request, plates: what.plates }, what.look);
      return transfer(shown, [shown.rgba.buffer]);
    }
    const rgba =
      what.kind === 'reach'
        ? reachView(request, what.original)
        : what.kind === 'original'
          ? originalView(request, what.cutting)
          : toneView(request, what.plate, what.ends ? ENDS : undefined);
    return transfer({ rgba, inked: [] }, [rgba.buffer]);
  },

  /** The bits of a region of a plate: the film's own, on the film's grid. */
  bits(recipe: Recipe, plate: number, frame: Frame, region: Region): Bits {
    const bits = plateBits({ recipe, ...materials }, plate, frame, region);
    return transfer(bits, [bits.data.buffer]);
  },

  /**
   * Makes sequential plates a little further.
   *
   * @returns true when all of them have come down to the row
   */
  prepare(recipe: Recipe, plates: readonly number[], frame: Frame, row: number): boolean {
    const scene = { recipe, ...materials };
    return plates.every((plate) => preparePlate(scene, plate, frame, row, PREPARED));
  },

  /** What a screen looks like, as pixels of four bytes. */
  swatch(swatch: Swatch): Uint8ClampedArray<ArrayBuffer> {
    const rgba = drawSwatch(swatch);
    return transfer(rgba, [rgba.buffer]);
  },

  /** What is asked of each plate at a pixel of the frame, on its film, and printed of that, percent. */
  readTones(recipe: Recipe, frame: Frame, x: number, y: number): ToneReading[] {
    return recipe.plates.map((_, plate) => {
      const region = { x, y, width: 1, height: 1 };
      const scene = { recipe, ...materials };
      const asked = plateCoverage(scene, plate, frame, region).data[0];
      return {
        asked: coverageToPercent(asked),
        film: coverageToPercent(dotTransfer(recipe, plate).made(asked)),
        printed: coverageToPercent(dotTransfer(asPrinted(recipe), plate).made(asked)),
      };
    });
  },

  /** Colours that stand best for an original's, as Lab. */
  pickColours(original: OriginalRecipe, count: number, stock: Lab): Lab[] {
    const source = smallSource(original, materials, PICKED);
    return source ? pickColours(labsOf(sourcePixels(source)), count, stock) : [];
  },

  /** How far off an original's colours come out in its inks, CIEDE2000; undefined where that cannot be told. */
  reachOf(recipe: Recipe, id: string): { mean: number; most: number } | undefined {
    const original = recipe.originals.find((one) => one.id === id);
    const source = original && smallSource(original, materials, PICKED);
    const model = original && routeModel(original.route, inkSetOf(recipe));
    return source && model && reachSummary(source, original, model);
  },

  /** What is asked for and what is predicted to be printed under a place of the sheet, as Lab. */
  readColours(recipe: Recipe, frame: Frame, x: number, y: number): { asked: Lab | undefined; printed: Lab } {
    return coloursAt({ recipe, ...materials }, frame, x, y);
  },

  /** Shares of an original's tones after so many of its tone steps; undefined for line art, which has none. */
  histogram(original: OriginalRecipe, steps: number): number[] | undefined {
    const { content, tone } = original;
    const whole = { x: 0, y: 0, width: 1, height: 1 };
    const source = smallSource(original, materials, COUNTED);
    if (!source) return undefined;
    return toneHistogram(source, content.kind === 'picture' ? content.crop : whole, {
      ...tone,
      steps: tone.steps.slice(0, steps),
    });
  },

  /** How loud a plate's patterns would be at any angle. */
  angleDial: (recipe: Recipe, plate: number): AngleDial | undefined => angleDial(recipe, plate),

  /**
   * What would go wrong on the job's press, and the seconds it took to find out.
   *
   * @param goesOn asked before each part; what answers false is not brought to its end
   */
  async pressCheck(
    recipe: Recipe,
    goesOn: () => Promise<boolean>,
  ): Promise<{ findings: Finding[]; seconds: number } | undefined> {
    const parts = pressCheckInParts({ recipe, ...materials });
    let seconds = 0;
    while (await goesOn()) {
      beginTask();
      const begun = performance.now();
      const part = parts.next();
      seconds += (performance.now() - begun) / 1000;
      if (part.done) return { findings: part.value, seconds };
    }
    return undefined;
  },

  /** How large a job's files of geometry will be, and how long they take. */
  vectorSize(recipe: Recipe, plates: readonly number[], options: VectorOptions): VectorSize {
    beginTask();
    return vectorSize({ recipe, ...materials }, plates, options, () => performance.now());
  },

  /** How large a job's files of bits will be, and how much ink is on its films. */
  filmForecast(recipe: Recipe, plates: readonly number[], packing: 'group4' | 'deflate'): FilmForecast {
    beginTask();
    return filmForecast({ recipe, ...materials }, plates, packing);
  },

  /** What seams of panels cost, place by place. */
  seamCosts(recipe: Recipe, panels: Panels): { across: Float64Array; down: Float64Array } {
    beginTask();
    return seamCosts({ recipe, ...materials }, panels);
  },

  /** Colour of a picture at a place in shares of it, `#rrggbb`: the mean of 3 × 3 pixels of a middling size. */
  colourAt(sha256: string, place: { x: number; y: number }): string | undefined {
    const pyramid = pictures.get(sha256);
    return pyramid && colourAt(pyramid, place);
  },

  /** Grey weights that part a picture's colours best; undefined when it has none. */
  automaticGrey(original: OriginalRecipe): HueWeights | undefined {
    const picture = smallSource(original, materials, COUNTED)?.picture;
    return picture && weightsThatPart(picture);
  },
};

export type WorkerApi = typeof workerApi;

expose(workerApi);
