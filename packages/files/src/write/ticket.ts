import {
  askedShare,
  asFilms,
  asPrinted,
  filmLayout,
  inkOf,
  isOnStock,
  labToHex,
  latticeOf,
  plateTransfer,
  pressCheck,
  screenFacts,
  SOLID,
  type Scene,
} from '@brachytone/core';
import type { JobDocument, RunFilm } from '@brachytone/job';
import type { Ticket, TicketPlate } from '@brachytone/pdf';

/** Steps of the transfer curves, percent. */
const STEPS = Array.from({ length: 11 }, (_, i) => 10 * i);

/** What goes along with a job's films. */
export function ticketOf(
  { name, recipe }: JobDocument,
  scene: Scene,
  day: string,
  films: readonly RunFilm[],
): Omit<Ticket, 'approval'> {
  const { sheet, stock, press } = recipe;
  const { mm, resolution } = filmLayout(recipe);
  const area = ((sheet.width + 2 * sheet.bleed) * (sheet.height + 2 * sheet.bleed)) / 100;
  const printed = recipe.plates.flatMap((plate, i) => (plate.printed ? [i] : []));
  return {
    job: name,
    day,
    sheet: { width: sheet.width, height: sheet.height, bleed: sheet.bleed },
    resolution,
    film: mm,
    stock: { name: stockWords(recipe), colour: labToHex(stock.lab) },
    press: press && { name: press.press.name, compensates: press.compensates },
    plates: printed.map((plate, i) => plateOf(scene, plate, i + 1, area)),
    findings: pressCheck(scene).map(({ severity, says }) => ({ severity, says })),
    files: films.flatMap(({ file, bytes, sha256 }) => (bytes > 0 && sha256 ? [{ file, bytes, sha256 }] : [])),
  };
}

/** The stock by its name, and what is on it already. */
function stockWords({ stock, originals }: Scene['recipe']): string {
  const laid = originals.flatMap(({ name, shown, route }) =>
    shown && isOnStock(route) ? [`“${name}”`] : [],
  );
  return laid.length === 0 ? stock.name : `${stock.name}, with ${laid.join(' and ')} on it already`;
}

function plateOf(scene: Scene, plate: number, place: number, area: number): TicketPlate {
  const { recipe } = scene;
  const { screen, ink: id } = recipe.plates[plate];
  const ink = inkOf(recipe.inks, id);
  const made = latticeOf(screen)?.supercell?.(recipe.sheet.resolution) ?? null;
  const share = askedShare(scene, plate);
  const film = plateTransfer(asFilms(recipe), plate);
  // A press prints a film's tones by its gain; without one the film is the print.
  const print = plateTransfer(asPrinted(recipe), plate);
  const percent = (made: number) => Number(((100 * made) / SOLID).toFixed(2));
  return {
    ink: ink.name,
    place,
    colour: labToHex(ink.lab),
    lab: ink.lab,
    covers: 100 * ink.opacity,
    share: 100 * share,
    area: share * area,
    screen: screenFacts(screen, '°'),
    made: made && { ruling: made.ruling, angle: made.angle },
    transfer: STEPS.map((asked) => {
      const of = Math.round((asked / 100) * SOLID);
      return { asked, film: percent(film.made(of)), printed: percent(print.made(of)) };
    }),
  };
}
