import { cache } from '../base/cache.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import { asFilms } from '../recipe/as-printed.ts';
import type { Scene } from '../recipe/scene.ts';
import { CHECKS } from './checks/index.ts';
import { gatherEvidence } from './evidence.ts';
import { SEVERITIES, type Check, type Checked, type Finding, type Found } from './finding.ts';

const recentFound = cache<readonly Found[]>('findings');

/** What a check finds; what it found before while nothing it goes by has changed. */
function findingsOf(check: Check, checked: Checked, job: string): readonly Found[] {
  const { press } = checked;
  const uses = [press.gain, press.inkGains, ...check.uses.map((number) => press[number])];
  return recentFound(JSON.stringify([check.id, uses]) + job, () => check.find(checked));
}

/**
 * What would go wrong if the films were made now, the worst first; nothing where no press is chosen.
 *
 * @throws MissingMaterial when what an original is made from is not at hand
 */
export function pressCheck(given: Scene): Finding[] {
  const parts = pressCheckInParts(given);
  for (let part = parts.next(); ; part = parts.next()) if (part.done) return part.value;
}

/** The same, a part at a time: some 0.1 s each, and nothing is held in the kernels' memory between two. */
export function* pressCheckInParts(given: Scene): Generator<undefined, Finding[]> {
  const recipe = asFilms(given.recipe);
  if (!recipe.press) return [];
  const scene = { ...given, recipe };
  const { press, ...job } = recipe;
  const checked = { scene, recipe, press: press.press, evidence: yield* gatherEvidence(scene) };
  const key = JSON.stringify([job, press.compensates, materialsKey(scene)]);
  const findings: Finding[] = [];
  for (const check of CHECKS) {
    for (const { mends, ...found } of findingsOf(check, checked, key))
      findings.push({
        ...found,
        check: check.id,
        why: check.why,
        mends: mends.map(({ label, change }) => ({ label, recipe: change(recipe) })),
      });
    yield;
  }
  return findings.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}
