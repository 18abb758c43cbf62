import { MARK_KINDS, newMark, usualMarks, type MarkUse } from '@brachytone/core';
import { LABEL_TYPEFACE } from '@brachytone/job';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { FieldRow } from '../field-row.tsx';
import { Group, ResetButton } from '../group.tsx';

type Kind = (typeof MARK_KINDS)[number];

/** What films carry around the plate, each kind of mark to be switched on by itself. */
export function MarksGroup() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { uses } = recipe.marks;
  const put = (label: string, next: readonly MarkUse[], gesture: string | null = null) =>
    dispatch(edit(label, (draft) => void Object.assign(draft.recipe.marks, { uses: next }), gesture));
  const switchMark = (kind: Kind, on: boolean) =>
    put(
      on ? kind.name : `No ${kind.name.toLowerCase()}`,
      // In the order they are offered, which is the order they are laid in.
      MARK_KINDS.flatMap((one) => {
        const used = uses.find((use) => use.kind === one.kind);
        if (one !== kind) return used ?? [];
        return on ? [newMark(kind)] : [];
      }),
    );
  return (
    <Group
      name="Marks"
      aside={
        uses.length === 0 ? (
          <ResetButton
            label="Those most printers ask for"
            onClick={() => put('Marks', usualMarks(LABEL_TYPEFACE).uses)}
          />
        ) : (
          <ResetButton label="None" onClick={() => put('No marks', [])} />
        )
      }
    >
      {MARK_KINDS.map((kind) => (
        <MarkRow
          key={kind.kind}
          kind={kind}
          use={uses.find((use) => use.kind === kind.kind)}
          onSwitch={(on) => switchMark(kind, on)}
          onSet={(label, settings, gesture) =>
            put(
              `${kind.name}: ${label.toLowerCase()}`,
              uses.map((use) => (use.kind === kind.kind ? { ...use, settings } : use)),
              gesture,
            )
          }
        />
      ))}
    </Group>
  );
}

function MarkRow({
  kind,
  use,
  onSwitch,
  onSet,
}: {
  kind: Kind;
  use: MarkUse | undefined;
  onSwitch: (on: boolean) => void;
  onSet: (label: string, settings: MarkUse['settings'], gesture: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const fields = Object.entries(kind.fields);
  const Chevron = isOpen ? ChevronDown : ChevronRight;
  return (
    <>
      <div className="flex items-center gap-1">
        {use && fields.length > 0 ? (
          <button
            type="button"
            aria-expanded={isOpen}
            aria-label={`Sizes of ${kind.name.toLowerCase()}`}
            className="-ml-1 text-soft hover:text-ink"
            onClick={() => setOpen(!isOpen)}
          >
            <Chevron size={14} aria-hidden />
          </button>
        ) : (
          <span className="-ml-1 w-3.5" />
        )}
        <div className="grow">
          <SwitchRow label={kind.name} title={kind.says} on={use !== undefined} onChange={onSwitch} />
        </div>
      </div>
      {use && isOpen && (
        <div className="mb-1.5 ml-3">
          {fields.map(([name, field]) => (
            <FieldRow
              plainLengths
              key={name}
              name={name}
              field={field}
              settings={use.settings}
              set={(label, change, gesture) => onSet(label, { ...use.settings, ...change }, gesture)}
            />
          ))}
        </div>
      )}
    </>
  );
}
