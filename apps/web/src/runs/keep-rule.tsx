import type { KeepRule } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { NumberField } from '../controls/number-field.tsx';
import { Select } from '../controls/select.tsx';
import { sentenceOf, useKeepRuleQuery, useSetKeepRuleMutation, useTriedKeepRuleQuery } from '../store/api.ts';
import { PLAIN } from '../words/quantity.ts';
import { bytesWords } from '../words/words.ts';

/** Runs and days that are offered first. */
const BEGIN = { runs: 50, days: 90 } as const;

const CHOICES: readonly { readonly value: KeepRule['by']; readonly name: string }[] = [
  { value: 'all', name: 'of all runs' },
  { value: 'runs', name: 'of the newest runs' },
  { value: 'days', name: 'made in the last days' },
];

const ruleOf = (by: KeepRule['by']): KeepRule =>
  by === 'all' ? { by } : by === 'runs' ? { by, runs: BEGIN.runs } : { by, days: BEGIN.days };

/** How long films are kept, and what another rule would free. */
export function KeepRuleRow() {
  const { data: kept } = useKeepRuleQuery();
  const [asked, setAsked] = useState<KeepRule>();
  const rule = asked ?? kept;
  const isNew = asked !== undefined && JSON.stringify(asked) !== JSON.stringify(kept);
  const { data: frees } = useTriedKeepRuleQuery(asked ?? { by: 'all' }, { skip: !isNew });
  const [setRule, { isLoading }] = useSetKeepRuleMutation();
  if (!rule) return null;
  const keep = async () => {
    const { error } = await setRule(rule);
    if (error) toast.error(sentenceOf(error));
    else setAsked(undefined);
  };
  return (
    <div className="mb-5 flex min-h-7 flex-wrap items-center gap-2">
      <span className="text-soft">Films are kept</span>
      <div className="flex w-[190px]">
        <Select
          label="Films are kept"
          value={rule.by}
          options={CHOICES}
          onChange={(by) => setAsked(ruleOf(by))}
        />
      </div>
      {rule.by === 'runs' && (
        <NumberField
          label="Runs"
          value={rule.runs}
          unit={PLAIN}
          least={0}
          most={10000}
          onChange={(runs) => setAsked({ by: 'runs', runs: Math.round(runs) })}
        />
      )}
      {rule.by === 'days' && (
        <NumberField
          label="Days"
          value={rule.days}
          unit={PLAIN}
          least={0}
          most={10000}
          onChange={(days) => setAsked({ by: 'days', days: Math.round(days) })}
        />
      )}
      {isNew && (
        <>
          <span className="text-soft">
            {frees === undefined
              ? ''
              : frees.runs === 0
                ? 'Nothing would be cleaned away now.'
                : `Cleans away films of ${frees.runs} ${frees.runs === 1 ? 'run' : 'runs'} now and frees ${bytesWords(frees.bytes)}. They can be made again.`}
          </span>
          <Button className="!h-7" disabled={isLoading} onClick={() => void keep()}>
            Keep to this
          </Button>
          <Button className="!h-7" onClick={() => setAsked(undefined)}>
            Leave it
          </Button>
        </>
      )}
    </div>
  );
}
