import {
  countInk,
  filmStrips,
  gangBits,
  tiffFile,
  type FilmWritten,
  type GangedPlate,
  type Sink,
} from '@brachytone/core';
import { gangName, onGang, type Gang } from '@brachytone/job';
import { sceneOf, type SharedMaterials } from '@brachytone/files/write';

/** Writes the film of one ink that jobs share, telling what share of it is there. */
export function* gangFilm(
  gang: Gang,
  ink: string,
  day: string,
  approvals: readonly (string | null)[],
  materials: SharedMaterials,
  sink: Sink,
): Generator<number, FilmWritten> {
  const { plan, documents } = gang;
  const jobs = documents.map((document, i) => {
    const { recipe, name } = onGang(document);
    const plate = recipe.plates.findIndex(
      ({ ink: id, printed }) => printed && recipe.inks.find((one) => one.id === id)?.name === ink,
    );
    return {
      scene: sceneOf(recipe, materials),
      plate,
      words: { job: name, day, approval: approvals[i] ?? undefined, mirrored: false },
    };
  });
  const plates = plan.places.flatMap(({ job, x, y }): GangedPlate[] =>
    jobs[job].plate < 0 ? [] : [{ ...jobs[job], x, y }],
  );
  const { width, height, resolution } = plan;
  const facts = { width, height, resolution, description: `${gangName(gang)}: ${ink}` };
  const file = tiffFile(sink, facts, 'group4');
  let inked = 0;
  for (const strip of filmStrips(facts)) {
    const bits = gangBits(plates, strip);
    inked += countInk(bits);
    file.strip(bits);
    yield (strip.y + strip.height) / height;
  }
  file.finish();
  return { inked: (100 * inked) / (width * height) };
}
