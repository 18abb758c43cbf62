import type { LengthsIn } from '../words/quantity.ts';
import { keptLengthsIn } from './lengths-in.ts';
import { keptPpi } from './screen-size.ts';
import type { Strip } from './strip.ts';
import { PLAIN_LOOK, type ProofLook } from '@brachytone/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What the table shows. */
export type TableView = 'original' | 'plate' | 'proof' | 'film' | 'product';

/** A zoom by name, or screen pixels for a millimetre. */
export type Zoom = 'fit' | 'print' | 'dots' | number;

/** How areas of a mask are drawn, and its colours picked. */
export type MaskTool = 'lasso' | 'polygon' | 'box' | 'sample';

/** What a brush paints: tones, what is cut away, dots of a fade, a plate, a region of it, the area of a painted ink. */
export type BrushUse = 'tone' | 'cut' | 'fade' | 'plate' | 'region' | 'painted';

/** Radius in mm on the sheet, strength −100 (lightens, away) to 100 (darkens, in) and softness in percent. */
export interface Brush {
  readonly radius: number;
  readonly strength: number;
  readonly softness: number;
}

/** What the brush paints while a card is open. */
export function brushUse({ step, region }: Pick<ViewState, 'step' | 'region'>): BrushUse {
  if (step === 'cut' || step === 'fade') return step;
  if (step?.startsWith('ink:')) return region === null ? 'plate' : 'region';
  return step?.startsWith('painted:') ? 'painted' : 'tone';
}

export interface ViewState {
  readonly table: TableView;
  readonly zoom: Zoom;
  /** Point of the sheet at the table's middle, mm; null = the sheet's own middle. */
  readonly centre: { readonly x: number; readonly y: number } | null;
  /** Id of the original that is worked on; null = the first. */
  readonly original: string | null;
  /** Id of the tone step whose card is open, `grey`, or a part of an original (`cut`, `container`, `fade`, `mix`,
   *  `colour-dots`); or null. */
  readonly step: string | null;
  /** The brush for each thing that is painted. */
  readonly brushes: Readonly<Record<BrushUse, Brush>>;
  /** Place of the picked stroke among the open step's, or null. */
  readonly stroke: number | null;
  /** What the pointer does to the open part of an original. */
  readonly tool: 'none' | 'pick' | 'brush' | MaskTool;
  /** Whether a part that is added to a mask keeps or takes away. */
  readonly maskMode: 'add' | 'subtract';
  /** Place of the picked part of the open plate's mask, or null. */
  readonly maskPart: number | null;
  /** Place of the open region among those of the open plate, or null for the plate itself. */
  readonly region: number | null;
  /** True while the table shows what is solid and what is bare. */
  readonly ends: boolean;
  /** Id of the one plate shown alone, or null. */
  readonly plate: string | null;
  /** Ids of the plates whose screens are set together. */
  readonly alike: readonly string[];
  /** How the proof is looked at. */
  readonly look: ProofLook;
  /** Id of the original whose colours beyond its inks are shown, or null. */
  readonly reach: string | null;
  /** Id of the product that the proof is shown on; null for the one that is likely. */
  readonly scene: string | null;
  /** What the table is wiped against: a pull by its id, or the originals; and where the wipe stands, 0–1. */
  readonly wipe: { readonly against: string; readonly at: number } | null;
  /** Ids of the pulls that lie beside the present state. */
  readonly beside: readonly string[];
  /** True while the links to proofs, and what was said of them, are shown. */
  readonly proofLinks: boolean;
  /** True while the pulls are shown. */
  readonly pulls: boolean;
  /** The test strip on the table, or null. */
  readonly strip: Strip | null;
  readonly loupe: { readonly open: boolean; readonly pinned: boolean; readonly power: number };
  /** Brightness of the bench, 0 dark – 1 light. */
  readonly bench: number;
  /** CSS pixels of an inch of this screen; null while nobody has measured it. */
  readonly screenPpi: number | null;
  /** What lengths are shown in. */
  readonly lengthsIn: LengthsIn;
}

const initialState: ViewState = {
  table: 'proof',
  zoom: 'fit',
  centre: null,
  original: null,
  step: null,
  brushes: {
    tone: { radius: 12, strength: -40, softness: 70 },
    cut: { radius: 8, strength: -100, softness: 0 },
    fade: { radius: 8, strength: -100, softness: 0 },
    plate: { radius: 10, strength: -100, softness: 0 },
    region: { radius: 15, strength: 100, softness: 80 },
    // An ink that is painted in begins by painting in.
    painted: { radius: 12, strength: 100, softness: 0 },
  },
  stroke: null,
  tool: 'none',
  maskMode: 'add',
  maskPart: null,
  region: null,
  ends: false,
  plate: null,
  alike: [],
  look: PLAIN_LOOK,
  reach: null,
  scene: null,
  wipe: null,
  beside: [],
  pulls: false,
  proofLinks: false,
  strip: null,
  loupe: { open: false, pinned: false, power: 8 },
  bench: 0.72,
  screenPpi: keptPpi(),
  lengthsIn: keptLengthsIn(),
};

/** What of the view a window keeps for a job while it is elsewhere. */
export const KEPT = [
  'table',
  'zoom',
  'centre',
  'original',
  'step',
  'brushes',
  'plate',
  'alike',
  'look',
  'scene',
  'pulls',
  'proofLinks',
  'loupe',
  'bench',
] as const satisfies readonly (keyof ViewState)[];
export type KeptView = Partial<Pick<ViewState, (typeof KEPT)[number]>>;

/** Pulls that may lie beside the present state at once. */
export const MOST_BESIDE = 3;

/** Powers of the loupe: times print size. */
export const LOUPE_POWERS = [4, 8, 16, 32] as const;

const slice = createSlice({
  name: 'view',
  initialState,
  reducers: {
    showTable: (state, { payload }: PayloadAction<TableView>) => ({ ...state, table: payload }),
    zoomed: (state, { payload }: PayloadAction<{ zoom: Zoom; centre?: ViewState['centre'] }>) => ({
      ...state,
      zoom: payload.zoom,
      centre: payload.zoom === 'fit' ? null : (payload.centre ?? state.centre),
    }),
    pickOriginal: (state, { payload }: PayloadAction<string | null>) => ({
      ...state,
      original: payload,
      step: null,
      strip: null,
    }),
    openStep: (state, { payload }: PayloadAction<string | null>) => ({
      ...state,
      step: payload,
      stroke: null,
      tool: 'none',
      maskPart: null,
      region: null,
    }),
    pickRegion: (state, { payload }: PayloadAction<number | null>) => ({
      ...state,
      region: payload,
      tool: 'none',
      maskPart: null,
      stroke: null,
    }),
    takeTool: (state, { payload }: PayloadAction<ViewState['tool']>) => ({ ...state, tool: payload }),
    maskModeSet: (state, { payload }: PayloadAction<ViewState['maskMode']>) => ({
      ...state,
      maskMode: payload,
    }),
    pickMaskPart: (state, { payload }: PayloadAction<number | null>) => ({ ...state, maskPart: payload }),
    brushSet: (state, { payload }: PayloadAction<Partial<Brush>>) => {
      const use = brushUse(state);
      return { ...state, brushes: { ...state.brushes, [use]: { ...state.brushes[use], ...payload } } };
    },
    pickStroke: (state, { payload }: PayloadAction<number | null>) => ({ ...state, stroke: payload }),
    showEnds: (state, { payload }: PayloadAction<boolean>) => ({ ...state, ends: payload }),
    showPlate: (state, { payload }: PayloadAction<string | null>) => ({
      ...state,
      plate: payload,
      strip: null,
    }),
    alikeSet: (state, { payload }: PayloadAction<readonly string[]>) => ({ ...state, alike: payload }),
    loupeHeld: (state, { payload }: PayloadAction<boolean>) => ({
      ...state,
      loupe: { ...state.loupe, open: payload || state.loupe.pinned },
    }),
    loupePinned: (state) => ({
      ...state,
      loupe: { ...state.loupe, pinned: !state.loupe.pinned, open: !state.loupe.pinned },
    }),
    loupePowered: (state, { payload }: PayloadAction<number>) => {
      const at = LOUPE_POWERS.findIndex((power) => power === state.loupe.power) + payload;
      const power = LOUPE_POWERS[Math.min(LOUPE_POWERS.length - 1, Math.max(0, at))];
      return { ...state, loupe: { ...state.loupe, power } };
    },
    stripOpened: (state, { payload }: PayloadAction<Strip | null>) => ({
      ...state,
      strip: payload,
      table: payload && state.table === 'original' ? 'proof' : state.table,
    }),
    lookSet: (state, { payload }: PayloadAction<Partial<ProofLook>>) => ({
      ...state,
      look: { ...state.look, ...payload },
    }),
    reachShown: (state, { payload }: PayloadAction<string | null>) => ({ ...state, reach: payload }),
    wiped: (state, { payload }: PayloadAction<ViewState['wipe']>) => ({
      ...state,
      wipe: payload,
      beside: payload ? [] : state.beside,
      strip: null,
    }),
    besideSet: (state, { payload }: PayloadAction<readonly string[]>) => ({
      ...state,
      beside: payload.slice(0, MOST_BESIDE),
      wipe: payload.length > 0 ? null : state.wipe,
      strip: null,
    }),
    scenePicked: (state, { payload }: PayloadAction<string>) => ({ ...state, scene: payload }),
    proofLinksShown: (state, { payload }: PayloadAction<boolean>) => ({ ...state, proofLinks: payload }),
    pullsShown: (state, { payload }: PayloadAction<boolean>) => ({ ...state, pulls: payload }),
    benchLit: (state, { payload }: PayloadAction<number>) => ({ ...state, bench: payload }),
    screenMeasured: (state, { payload }: PayloadAction<number | null>) => ({ ...state, screenPpi: payload }),
    lengthsShownIn: (state, { payload }: PayloadAction<LengthsIn>) => ({ ...state, lengthsIn: payload }),
    viewReset: ({ bench, screenPpi, lengthsIn }) => ({ ...initialState, bench, screenPpi, lengthsIn }),
    viewRestored: (state, { payload }: PayloadAction<KeptView>) => ({
      ...state,
      ...payload,
      // Kept by a page that knew fewer of them.
      brushes: { ...state.brushes, ...payload.brushes },
    }),
  },
});

export const viewReducer = slice.reducer;
export const {
  pickOriginal,
  screenMeasured,
  lengthsShownIn,
  openStep,
  brushSet,
  takeTool,
  pickStroke,
  maskModeSet,
  pickMaskPart,
  pickRegion,
  showEnds,
  showTable,
  zoomed,
  showPlate,
  alikeSet,
  loupeHeld,
  loupePinned,
  loupePowered,
  stripOpened,
  benchLit,
  lookSet,
  reachShown,
  wiped,
  besideSet,
  pullsShown,
  proofLinksShown,
  scenePicked,
  viewReset,
  viewRestored,
} = slice.actions;
