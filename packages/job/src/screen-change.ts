import { newScreen, screenKind, type PlateRecipe, type Screen } from '@brachytone/core';

/** A screen of another kind, with those settings of the one before that both have. */
export function changedKind(screen: Screen, kind: string): Screen {
  const fresh = newScreen(kind);
  const before = screenKind(screen.kind).fields;
  const kept = Object.entries(screenKind(kind).fields).filter(
    ([name, field]) => before[name]?.type === field.type && before[name]?.label === field.label,
  );
  const settings = Object.fromEntries(kept.map(([name]) => [name, screen.settings[name]]));
  return { ...fresh, ...screen, kind, settings: { ...fresh.settings, ...settings } };
}

/** What stays each plate's own when several are set alike. */
const OWN = 'angle';

/** Another plate's screen after the same change as one's own went through; its angle stays. */
function changedAlike(other: Screen, before: Screen, after: Screen): Screen {
  const same = other.kind === after.kind ? other : changedKind(other, after.kind);
  const { settings: _, kind: _kind, ...limits } = after;
  const isNewKind = before.kind !== after.kind;
  const changed = Object.entries(after.settings).filter(
    ([name, value]) =>
      name !== OWN &&
      name in screenKind(same.kind).fields &&
      (isNewKind || JSON.stringify(value) !== JSON.stringify(before.settings[name])),
  );
  const { kind: _before, settings: _settings, ...limitsBefore } = before;
  const changedLimits = Object.entries(limits).filter(
    ([name, value]) => value !== limitsBefore[name as keyof typeof limitsBefore],
  );
  return {
    ...same,
    ...Object.fromEntries(changedLimits),
    settings: { ...same.settings, ...Object.fromEntries(changed) },
  };
}

/**
 * Plates after a change of one's screen, which goes for others too. Only what was changed is changed on them, and angles stay apart.
 *
 * @param at    place of the plate that is worked on
 * @param alike ids of the plates that are set with it
 */
export function withScreenChange(
  plates: readonly PlateRecipe[],
  at: number,
  alike: readonly string[],
  change: Partial<Screen>,
): PlateRecipe[] {
  const before = plates[at].screen;
  const after = { ...before, ...change };
  return plates.map((plate, i) =>
    i === at
      ? { ...plate, screen: after }
      : alike.includes(plate.id)
        ? { ...plate, screen: changedAlike(plate.screen, before, after) }
        : plate,
  );
}
