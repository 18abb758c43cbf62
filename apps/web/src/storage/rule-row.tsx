import type { KeepRule, StoredId, StoredView } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { NumberField } from '../controls/number-field.tsx';
import { Select } from '../controls/select.tsx';
import { sentenceOf, useSetRuleMutation, useTriedRuleQuery } from '../store/api.ts';
import { WHOLE } from '../words/quantity.ts';
import { bytesWords } from '../words/words.ts';
import { STORED_WORDS } from './stored-words.ts';

/** Rules as they are offered first. */
const BEGIN: Record<KeepRule['by'], KeepRule> = {
  all: { by: 'all' },
  runs: { by: 'runs', runs: 50 },
  days: { by: 'days', days: 90 },
  size: { by: 'size', megabytes: 500 },
};

const NAMES: Record<KeepRule['by'], string> = {
  all: 'for good',
  runs: 'of the newest runs',
  days: 'for days',
  size: 'up to a size',
};

/** By which rule things of a kind are kept, and what another rule would free. */
export function RuleRow({ stored }: { stored: Pick<StoredView, 'id' | 'rule' | 'rules'> }) {
  const { id, rule: kept, rules } = stored;
  const [asked, setAsked] = useState<KeepRule>();
  const rule = asked ?? kept;
  if (!rule) return null;
  return (
    <div className="flex min-h-7 flex-wrap items-center gap-2">
      <div className="flex w-[136px]">
        <Select
          label={`${STORED_WORDS[id].name} are kept`}
          value={rule.by}
          options={rules.map((by) => ({ value: by, name: NAMES[by] }))}
          onChange={(by) => setAsked(by === kept?.by ? undefined : BEGIN[by])}
        />
      </div>
      <RuleNumber rule={rule} set={setAsked} />
      {asked && JSON.stringify(asked) !== JSON.stringify(kept) && (
        <NewRule id={id} rule={asked} done={() => setAsked(undefined)} />
      )}
    </div>
  );
}

function RuleNumber({ rule, set }: { rule: KeepRule; set: (rule: KeepRule) => void }) {
  if (rule.by === 'runs')
    return (
      <NumberField
        label="Runs"
        value={rule.runs}
        unit={WHOLE}
        least={0}
        most={10_000}
        onChange={(runs) => set({ by: 'runs', runs: Math.round(runs) })}
      />
    );
  if (rule.by === 'days')
    return (
      <NumberField
        label="Days"
        value={rule.days}
        unit={WHOLE}
        least={0}
        most={10_000}
        onChange={(days) => set({ by: 'days', days: Math.round(days) })}
      />
    );
  if (rule.by === 'size')
    return (
      <NumberField
        label="Megabytes"
        value={rule.megabytes}
        unit={{ ...WHOLE, symbol: 'MB', others: { GB: 1000 }, step: 100 }}
        least={0}
        most={1_000_000}
        onChange={(megabytes) => set({ by: 'size', megabytes: Math.round(megabytes) })}
      />
    );
  return null;
}

/** What a rule would free, and the way to take it. */
function NewRule({ id, rule, done }: { id: StoredId; rule: KeepRule; done: () => void }) {
  const { data: frees } = useTriedRuleQuery({ kind: id, rule });
  const [setRule, { isLoading }] = useSetRuleMutation();
  const keep = async () => {
    const { error } = await setRule({ kind: id, rule });
    if (error) toast.error(sentenceOf(error));
    else done();
  };
  return (
    <>
      <span className="text-soft">
        {frees === undefined
          ? ''
          : frees.count === 0
            ? 'Nothing would be cleaned away now.'
            : `Cleans away ${STORED_WORDS[id].count(frees.count)} now and frees ${bytesWords(frees.bytes)}.`}
      </span>
      <Button className="!h-7" disabled={isLoading} onClick={() => void keep()}>
        Keep to this
      </Button>
      <Button className="!h-7" onClick={done}>
        Leave it
      </Button>
    </>
  );
}
