import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { horizontalListSortingStrategy, SortableContext } from '@dnd-kit/sortable';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { moveTo } from '../move-to.ts';
import { PlateCard } from './plate-card.tsx';
import { Readout } from './readout.tsx';

/** The set of plates the job will burn, in printing order, and what is under the pointer. */
export function Rack() {
  const dispatch = useAppDispatch();
  const { plates } = useDocument().recipe;
  // A card is pressed to see its plate; only what is dragged a little way moves.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  return (
    <>
      <div className="flex min-w-0 items-center gap-3 overflow-x-auto">
        <DndContext
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={({ active, over }) => {
            if (!over || active.id === over.id) return;
            dispatch(
              edit('Printing order', (draft) => {
                moveTo(draft.recipe.plates, active.id, over.id);
              }),
            );
          }}
        >
          <SortableContext items={plates.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
            {plates.map((plate, index) => (
              <PlateCard key={plate.id} index={index} />
            ))}
          </SortableContext>
        </DndContext>
      </div>
      <div className="ml-auto shrink-0 self-center">
        <Readout />
      </div>
    </>
  );
}
