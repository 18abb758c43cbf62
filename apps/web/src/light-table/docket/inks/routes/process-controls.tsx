import {
  INTENTS,
  newProcess,
  type OriginalRecipe,
  type ProcessRoute,
  type ProfileRoute,
} from '@brachytone/core';
import {
  LIMITS,
  PRINTING_CONDITIONS,
  PROCESS_IDS,
  profileInks,
  profileStock,
  withCondition,
  withRoute,
} from '@brachytone/job';
import { useRef } from 'react';
import { toast } from 'sonner';
import { PERCENT } from '../../../../words/quantity.ts';
import { Select } from '../../../../controls/select.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { SwitchRow } from '../../../../controls/switch-row.tsx';
import {
  sentenceOf,
  useAddOriginalMutation,
  useLazyProfileQuery,
  useProfileQuery,
} from '../../../../store/api.ts';
import { useDocument } from '../../../../store/use-job.ts';
import { useEditRecipe } from '../../../../store/use-edit-recipe.ts';
import { ResetButton, Row } from '../../group.tsx';
import { INTENT_NAMES } from '../../../../words/intents.ts';
import { ReachRow } from './reach-row.tsx';
import { useRoute } from './use-route.ts';

/** Cyan, magenta, yellow and black: for a named way of printing, or by a profile of one's own. */
export function ProcessControls({
  original,
  route,
}: {
  original: OriginalRecipe;
  route: ProcessRoute | ProfileRoute;
}) {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const chooser = useRef<HTMLInputElement>(null);
  const [addOriginal, { isLoading }] = useAddOriginalMutation();
  const [fetchProfile] = useLazyProfileQuery();
  const condition = PRINTING_CONDITIONS.find(({ stock }) => stock.name === recipe.stock.name);
  const bring = async (file: File) => {
    try {
      const { sha256, kind } = await addOriginal(file).unwrap();
      if (kind !== 'profile') {
        toast.error(`“${file.name}” is not an ICC profile. Nothing was changed.`);
        return;
      }
      const profile = await fetchProfile(sha256).unwrap();
      const { inks, overprints } = profileInks(profile);
      editRecipe('Separation by a profile', (one) => {
        const own = new Set(inks.map(({ id }) => id));
        return withRoute(
          {
            ...one,
            inks: one.inks.map((ink) => inks.find(({ id }) => id === ink.id) ?? ink),
            overprints: one.overprints.filter((over) => !over.inks.every((id) => own.has(id))),
          },
          original.id,
          {
            route: {
              kind: 'profile',
              ...PROCESS_IDS,
              profile: sha256,
              intent: 'perceptual',
              compensate: true,
            },
            inks,
            overprints,
            stock: profileStock(profile, one.stock),
          },
          true,
        );
      });
    } catch (error) {
      toast.error(`“${file.name}”: ${sentenceOf(error)}`);
    }
  };
  return (
    <>
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".icc,.icm"
        aria-label="Choose an ICC profile"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void bring(file);
          event.target.value = '';
        }}
      />
      <Row label="Condition">
        <Select
          label="Printing condition"
          value={route.kind === 'profile' ? 'profile' : (condition?.id ?? 'own')}
          options={[
            ...PRINTING_CONDITIONS.map(({ id, says }) => ({ value: id, name: says })),
            ...(condition || route.kind === 'profile'
              ? []
              : [{ value: 'own', name: 'Your own inks and stock' }]),
            ...(route.kind === 'profile' ? [{ value: 'profile', name: 'By the profile' }] : []),
          ]}
          onChange={(id) => {
            const next = PRINTING_CONDITIONS.find((one) => one.id === id);
            if (next)
              editRecipe(`Printing condition: ${next.name.toLowerCase()}`, (one) =>
                withCondition(one, original.id, next),
              );
          }}
        />
      </Row>
      {route.kind === 'process' ? (
        <ModelControls original={original} route={route} />
      ) : (
        <ProfileControls original={original} route={route} />
      )}
      <div className="mt-1 text-right">
        <ResetButton
          label={isLoading ? 'Bringing it in…' : 'Use your own ICC profile…'}
          onClick={() => chooser.current?.click()}
        />
      </div>
    </>
  );
}

function ModelControls({ original, route }: { original: OriginalRecipe; route: ProcessRoute }) {
  const { path, set } = useRoute<ProcessRoute>(original);
  const percent = (label: string, member: 'generation' | 'replacement' | 'from') => (
    <SliderRow
      label={label}
      value={route[member]}
      unit={PERCENT}
      least={0}
      most={100}
      path={[...path, member]}
      onChange={(value, gesture) => set(label, { [member]: value }, gesture)}
    />
  );
  return (
    <>
      {percent('Black', 'generation')}
      {percent('Grey to black', 'replacement')}
      {percent('Black from', 'from')}
      <SliderRow
        label="Ink limit"
        value={route.limit}
        unit={PERCENT}
        {...LIMITS.inkLimit}
        most={400}
        usual={[160, 400]}
        path={[...path, 'limit']}
        onChange={(limit, gesture) => set('Ink limit', { limit }, gesture)}
      />
      <ReachRow original={original} />
    </>
  );
}

function ProfileControls({ original, route }: { original: OriginalRecipe; route: ProfileRoute }) {
  const { set } = useRoute<ProfileRoute>(original);
  const editRecipe = useEditRecipe();
  const { data } = useProfileQuery(route.profile);
  return (
    <>
      <Row label="Profile">
        <span className="truncate" title={data?.name}>
          {data?.name ?? '…'}
        </span>
      </Row>
      <Row label="Intent">
        <Select
          label="Rendering intent"
          value={route.intent}
          options={INTENTS.map((intent) => ({ value: intent, name: INTENT_NAMES[intent] }))}
          onChange={(intent) => set('Rendering intent', { intent })}
        />
      </Row>
      <SwitchRow
        label="Fit its black to the press’s"
        title="Black point compensation"
        on={route.compensate}
        onChange={(compensate) => set('Black point compensation', { compensate })}
      />
      <div className="mt-1 text-right">
        <ResetButton
          label="By the ink model instead"
          onClick={() =>
            editRecipe('Separation by the ink model', (one) =>
              withRoute(one, original.id, { route: newProcess(PROCESS_IDS, 300) }),
            )
          }
        />
      </div>
    </>
  );
}
