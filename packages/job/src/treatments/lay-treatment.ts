import {
  newProcess,
  placedHeight,
  profileOf,
  routeInks,
  startOf,
  stepKind,
  type Lettering,
  type OriginalRecipe,
  type Recipe,
  type Route,
  type ToneStep,
  type Typeface,
} from '@brachytone/core';
import { inkRoute } from '../defaults.ts';
import type { JobDocument } from '../document.ts';
import { freeId } from '../free-id.ts';
import { darkestInk } from '../job-like.ts';
import { resetLettering } from '../lettering.ts';
import { fillsSheet, printedArea } from '../placing.ts';
import { sizedFade, sizedMix, sizedScreen, sizedStep, type Sizing } from './sized.ts';
import { OWN_LEVELS, type TreatedPicture, type Treatment } from './treatment.ts';

/** What a treatment is laid with: what is known of the job's pictures, and the files that are at hand. */
export interface LaidWith {
  readonly pictures: ReadonlyMap<string, TreatedPicture>;
  /** Typefaces of the job and, as far as they are here, of the treatment. */
  readonly typefaces: ReadonlyMap<string, Typeface>;
  /** True for the SHA-256 of a colour profile that is here. */
  readonly hasProfile?: (sha256: string) => boolean;
}

/** A job that a treatment was laid on. */
export interface Laid {
  readonly document: JobDocument;
  /** What could not be done as the treatment says, a sentence each. */
  readonly says: readonly string[];
}

/** Most ink of all together where no profile says, percent (common practice, no source). */
const PROCESS_LIMIT = 300;

/** Ids of originals that a treatment brought along begin so; they go when another one is laid. */
const BROUGHT = 'treatment-';

/**
 * Lays a treatment on a job: stock, inks, plates and screens become the treatment's, and each original is treated as the treatment's of its kind are.
 * Sheet, pictures, crops, places, texts, films and marks stay; so does the press where the treatment has none.
 */
export function layTreatment(document: JobDocument, treatment: Treatment, materials: LaidWith): Laid {
  return new Laying(document, treatment, materials).done();
}

class Laying {
  private readonly said = new Set<string>();
  private readonly from: Recipe;
  private readonly mm: number;

  constructor(
    private readonly document: JobDocument,
    private readonly treatment: Treatment,
    private readonly materials: LaidWith,
  ) {
    this.from = treatment.job.recipe;
    const longer = ({ sheet }: Recipe) => Math.max(sheet.width, sheet.height);
    this.mm = treatment.sizes === 'sheet' ? longer(document.recipe) / longer(this.from) : 1;
  }

  done(): Laid {
    const { recipe } = this.document;
    const own = recipe.originals.filter(({ id }) => !id.startsWith(BROUGHT));
    const sizing = { mm: this.mm, px: this.mm };
    const laid: Recipe = {
      ...recipe,
      stock: this.from.stock,
      inks: this.from.inks,
      overprints: this.from.overprints,
      plates: this.from.plates.map((plate) => ({ ...plate, screen: sizedScreen(plate.screen, sizing) })),
      press: this.from.press ?? recipe.press,
      originals: this.inOrder(own),
    };
    return { document: { ...this.document, recipe: laid }, says: [...this.said] };
  }

  /** The job's own originals as they are now, with what the treatment lays under and over them. */
  private inOrder(own: readonly OriginalRecipe[]): OriginalRecipe[] {
    const pictures = [...new Set(own.flatMap((one) => this.pictureOf(one) ?? []))];
    const models = this.from.originals;
    const standIns = [...new Set(models.flatMap((one) => this.pictureOf(one) ?? []))];
    const treated = own.map((one) => this.treated(one, own, pictures, standIns));
    const lowest = models.findIndex((one) => this.pictureOf(one) !== undefined);
    const under: OriginalRecipe[] = [];
    const over: OriginalRecipe[] = [];
    for (const [i, model] of models.entries()) {
      // What a treatment without a picture brings lies under all.
      const where = lowest < 0 || i < lowest ? under : over;
      for (const brought of this.broughtBy(model, models, own, pictures, standIns))
        where.push({ ...brought, id: freeId(`${BROUGHT}original`, [...under, ...over]) });
    }
    return [...under, ...treated, ...over];
  }

  private pictureOf({ content, route }: OriginalRecipe): string | undefined {
    // What is on the stock already is no original to be treated, unless its picture is printed too.
    return content.kind === 'picture' && (route.kind !== 'stock' || this.isPrinted(content.picture))
      ? content.picture
      : undefined;
  }

  private isPrinted(sha256: string): boolean {
    return [...this.document.recipe.originals, ...this.from.originals].some(
      ({ content, route }) =>
        content.kind === 'picture' && content.picture === sha256 && route.kind !== 'stock',
    );
  }

  /** The treatment's originals that show the picture which stands for one of the job's. */
  private modelsFor(picture: string, pictures: readonly string[], standIns: readonly string[]) {
    const at = Math.min(pictures.indexOf(picture), standIns.length - 1);
    return this.from.originals.filter((one) => this.pictureOf(one) === standIns[at]);
  }

  private treated(
    original: OriginalRecipe,
    own: readonly OriginalRecipe[],
    pictures: readonly string[],
    standIns: readonly string[],
  ): OriginalRecipe {
    const picture = this.pictureOf(original);
    if (picture === undefined) return this.withoutPicture(original, own);
    const models = this.modelsFor(picture, pictures, standIns);
    const alike = own.filter((one) => this.pictureOf(one) === picture);
    const model = models[Math.min(alike.indexOf(original), models.length - 1)] as OriginalRecipe | undefined;
    return model ? this.asModel(original, model) : { ...original, route: this.routed(original) };
  }

  /** Drawings, lettering, gradients and tints take after the treatment's of their kind, and else keep what they are. */
  private withoutPicture(original: OriginalRecipe, own: readonly OriginalRecipe[]): OriginalRecipe {
    if (original.route.kind === 'stock') return original;
    const { kind } = original.content;
    const models = this.from.originals.filter(
      ({ content, route }) => content.kind === kind && route.kind !== 'stock',
    );
    const at = own.filter(({ content }) => content.kind === kind).indexOf(original);
    const model = models[Math.min(at, models.length - 1)] as OriginalRecipe | undefined;
    if (!model) return { ...original, route: this.routed(original) };
    const treated = this.asModel(original, model);
    return model.content.kind === 'lettering' ? this.lettered(treated, model.content) : treated;
  }

  /** An original with the tone, the way to the inks and the dots of another. */
  private asModel(original: OriginalRecipe, model: OriginalRecipe): OriginalRecipe {
    const sizing = this.sizingOf(original);
    const { content } = original;
    const brush = original.tone.steps.filter(({ kind }) => kind === 'brush');
    const line = model.content.kind === 'picture' ? model.content.line : undefined;
    return {
      ...original,
      content:
        content.kind === 'picture' && line !== undefined
          ? {
              ...content,
              line: line && { ...line, smooth: Math.min(20, line.smooth * sizing.px) },
            }
          : content,
      tone: {
        ...model.tone,
        steps: withFreeIds([
          ...this.endsOf(original, model),
          ...model.tone.steps.map((step) => sizedStep(step, sizing)),
          ...brush,
        ]),
      },
      container: model.container && !original.container ? model.container : original.container,
      fade: model.fade && sizedFade(model.fade, sizing),
      mix: model.mix && sizedMix(model.mix, sizing),
      colourDots: model.colourDots && { ...model.colourDots, ruling: model.colourDots.ruling / this.mm },
      route: this.routeOf(model),
      overprint: model.overprint,
    };
  }

  /** Levels by the picture's own tones, where the treatment wants them. */
  private endsOf({ content }: OriginalRecipe, model: OriginalRecipe): ToneStep[] {
    if (this.treatment.levels === 'kept' || content.kind !== 'picture' || model.route.kind === 'stock')
      return [];
    const ends = this.materials.pictures.get(content.picture)?.ends;
    if (!ends) return [];
    return [
      { id: OWN_LEVELS, kind: 'levels', on: true, settings: { ...startOf(stepKind('levels')), ...ends } },
    ];
  }

  /** How much larger the treatment's lengths are for an original. */
  private sizingOf({ content, placement }: OriginalRecipe): Sizing {
    const size = content.kind === 'picture' ? this.materials.pictures.get(content.picture) : undefined;
    if (!size || content.kind !== 'picture') return { mm: this.mm, px: this.mm };
    const perMm = (content.crop.width * size.width) / placement.width;
    return { mm: this.mm, px: (this.mm * perMm) / this.treatment.perMm };
  }

  /** The treatment's route; where its profile is not here, the process inks by the ink model. */
  private routeOf({ route }: OriginalRecipe): Route {
    const use = profileOf(route);
    if (!use || this.materials.hasProfile?.(use.profile) || route.kind !== 'profile') return route;
    this.said.add('The treatment’s colour profile is not here: its inks are reckoned by the ink model.');
    return newProcess(
      { cyan: route.cyan, magenta: route.magenta, yellow: route.yellow, black: route.black },
      PROCESS_LIMIT,
    );
  }

  /** The route of an original that the treatment says nothing of: into the same inks, or into the darkest. */
  private routed({ name, route }: OriginalRecipe): Route {
    const { inks } = this.from;
    const before = routeInks(route).map((id) => this.document.recipe.inks.find((ink) => ink.id === id)?.name);
    const same = inks.find((ink) => before.length === 1 && ink.name === before[0]);
    if (same) return inkRoute(same.id);
    const dark = darkestInk(this.from);
    const named = inks.find(({ id }) => id === dark)?.name ?? dark;
    this.said.add(`“${name}” is printed in ${named}: the treatment says nothing of it.`);
    return inkRoute(dark);
  }

  /** Lettering in the treatment's manner; its text stays. */
  private lettered(original: OriginalRecipe, model: Lettering): OriginalRecipe {
    const was = original.content as Lettering;
    const face = this.materials.typefaces.get(model.font);
    const before = this.materials.typefaces.get(was.font);
    const { fill, gradient, outline, inner, glow } = model;
    const manner = { fill, gradient: { ...gradient, ratio: was.ratio }, outline, inner, glow };
    const painted = { ...original, content: { ...was, ...manner } };
    if (!face || !before) {
      this.said.add(`“${original.name}” keeps its typeface: the treatment’s is not here.`);
      return painted;
    }
    const { font, tracking, leading, align } = model;
    return resetLettering(painted, { font, tracking, leading, align }, before, face);
  }

  /**
   * Originals that a treatment's original becomes besides the job's own: a picture's further layers, and flat tints and gradients that fill the sheet.
   */
  private *broughtBy(
    model: OriginalRecipe,
    models: readonly OriginalRecipe[],
    own: readonly OriginalRecipe[],
    pictures: readonly string[],
    standIns: readonly string[],
  ): Generator<OriginalRecipe> {
    const standsFor = this.pictureOf(model);
    if (standsFor !== undefined) {
      const layers = models.filter((one) => this.pictureOf(one) === standsFor);
      for (const picture of pictures) {
        const alike = own.filter((one) => this.pictureOf(one) === picture);
        const isIts = this.modelsFor(picture, pictures, standIns).includes(model);
        if (!isIts || layers.indexOf(model) < alike.length) continue;
        const [first] = alike;
        yield {
          ...this.asModel(first, model),
          name: model.name,
          placement: this.besideOf(first, layers[0], model),
        };
      }
      return;
    }
    const { kind } = model.content;
    if (kind !== 'tint' && kind !== 'gradient') return;
    const has = own.filter(({ content }) => content.kind === kind).length;
    const nth = models.filter(({ content }) => content.kind === kind).indexOf(model);
    const height = placedHeight(model, undefined);
    if (nth < has || !fillsSheet(this.from.sheet, model, height)) return;
    const area = printedArea(this.document.recipe.sheet);
    yield {
      ...model,
      content: { ...model.content, ratio: area.height / area.width },
      placement: { ...model.placement, x: area.x, y: area.y, width: area.width },
      fade: model.fade && sizedFade(model.fade, { mm: this.mm, px: this.mm }),
      mix: model.mix && sizedMix(model.mix, { mm: this.mm, px: this.mm }),
    };
  }

  /** A layer's place: as far from the first one's as in the treatment. */
  private besideOf(first: OriginalRecipe, model: OriginalRecipe, layer: OriginalRecipe) {
    const { placement } = first;
    return {
      ...placement,
      x: placement.x + this.mm * (layer.placement.x - model.placement.x),
      y: placement.y + this.mm * (layer.placement.y - model.placement.y),
    };
  }
}

/** Steps under ids of which no two are the same. */
function withFreeIds(steps: readonly ToneStep[]): ToneStep[] {
  const out: ToneStep[] = [];
  for (const step of steps) {
    const taken = out.some(({ id }) => id === step.id);
    out.push(taken ? { ...step, id: freeId('step', [...out, ...steps]) } : step);
  }
  return out;
}
