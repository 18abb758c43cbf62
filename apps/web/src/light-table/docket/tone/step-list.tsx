import { stepKind, type ToneStep } from '@brachytone/core';
import { DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { closestTop } from './closest-top.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { ResetButton } from '../group.tsx';
import { Card } from '../card.tsx';
import { StepControls } from './step-controls.tsx';

/** The tone steps in their order; drag to move one. */
export function StepList({ ppi }: { ppi: number }) {
  const { steps } = useTheOriginal().tone;
  const change = useEditOriginal();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestTop}
      onDragEnd={({ active, over }) => {
        if (!over || active.id === over.id) return;
        change('Order of tone steps', (draft) => {
          const list = draft.tone.steps;
          const [moved] = list.splice(
            list.findIndex(({ id }) => id === active.id),
            1,
          );
          list.splice(
            steps.findIndex(({ id }) => id === over.id),
            0,
            moved,
          );
        });
      }}
    >
      <SortableContext items={steps.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {steps.map((step, i) => (
          <SortableStep key={step.id} step={step} before={i} ppi={ppi} />
        ))}
      </SortableContext>
    </DndContext>
  );
}

function SortableStep({ step, before, ppi }: { step: ToneStep; before: number; ppi: number }) {
  const change = useEditOriginal();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: step.id,
  });
  const kind = stepKind(step.kind);
  return (
    <div
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={isDragging ? 'relative z-10 opacity-80' : ''}
    >
      <Card
        id={step.id}
        name={kind.name}
        words={kind.words(step.settings)}
        says={kind.says}
        on={step.on}
        onSwitch={(on) =>
          change(`${kind.name} ${on ? 'on' : 'off'}`, (draft) => {
            draft.tone.steps[before].on = on;
          })
        }
        handle={
          <button
            type="button"
            aria-label={`Move ${kind.name}`}
            title="Drag to another place in the order"
            className="flex h-full w-5 cursor-grab items-center justify-center text-soft hover:text-ink"
            {...attributes}
            {...listeners}
          >
            <GripVertical size={13} />
          </button>
        }
      >
        <StepControls
          step={step}
          before={before}
          ppi={ppi}
          set={(settings, gesture) =>
            change(
              kind.name,
              (draft) => {
                Object.assign(draft.tone.steps[before].settings, structuredClone(settings));
              },
              `${step.id}-${gesture}`,
            )
          }
        />
        <div className="mt-1.5 flex justify-end">
          <ResetButton
            label={`Remove ${kind.name.toLowerCase()}`}
            onClick={() =>
              change(`Remove ${kind.name.toLowerCase()}`, (draft) => void draft.tone.steps.splice(before, 1))
            }
          />
        </div>
      </Card>
    </div>
  );
}
