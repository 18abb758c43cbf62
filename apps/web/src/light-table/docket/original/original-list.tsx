import type { Content, OriginalRecipe } from '@brachytone/core';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import {
  Blend,
  Copy,
  Eye,
  EyeOff,
  GripVertical,
  Image,
  Lock,
  LockOpen,
  PenTool,
  Square,
  Type,
  type LucideIcon,
} from 'lucide-react';
import { cutText, freeId } from '@brachytone/job';
import { useState } from 'react';
import { edit } from '../../../store/job-slice.ts';
import { moveTo } from '../../move-to.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { pickOriginal } from '../../../store/view-slice.ts';

const ICONS: Record<Content['kind'], LucideIcon> = {
  picture: Image,
  drawing: PenTool,
  gradient: Blend,
  lettering: Type,
  tint: Square,
};

/** Everything on the sheet, the uppermost first; drag to change the order. */
export function OriginalList() {
  const dispatch = useAppDispatch();
  const { originals } = useDocument().recipe;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const listed = originals.toReversed();
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (!over || active.id === over.id) return;
        dispatch(
          edit('Order of originals', (draft) => {
            moveTo(draft.recipe.originals, active.id, over.id);
          }),
        );
      }}
    >
      <SortableContext items={listed.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <ul>
          {listed.map((original) => (
            <Item key={original.id} original={original} />
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

function Item({ original }: { original: OriginalRecipe }) {
  const dispatch = useAppDispatch();
  const picked = useOriginal()?.id === original.id;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: original.id });
  const { id, name, shown, locked, content } = original;
  const Icon = ICONS[content.kind];
  const flip = (member: 'shown' | 'locked', label: string) =>
    dispatch(
      edit(label, (draft) => {
        const one = draft.recipe.originals.find((other) => other.id === id);
        if (one) one[member] = !one[member];
      }),
    );
  const [renaming, setRenaming] = useState(false);
  const { originals } = useDocument().recipe;
  const rename = (text: string) => {
    setRenaming(false);
    const next = cutText(text.trim(), 120);
    if (next === '' || next === name) return;
    dispatch(
      edit(`Name of ${name}`, (draft) => {
        const one = draft.recipe.originals.find((other) => other.id === id);
        if (one) one.name = next;
      }),
    );
  };
  const duplicate = () => {
    const copy = { ...original, id: freeId('original', originals), name: cutText(`${name}, copy`, 120) };
    dispatch(
      edit(`Duplicate ${name}`, (draft) => {
        const at = draft.recipe.originals.findIndex((other) => other.id === id);
        draft.recipe.originals.splice(at + 1, 0, copy as never);
      }),
    );
    dispatch(pickOriginal(copy.id));
  };
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`mb-1 flex h-8 items-center rounded-sm border ${picked ? 'border-ink bg-white' : 'border-edge bg-card hover:border-soft'}`}
    >
      <button
        type="button"
        aria-label={`Move ${name}`}
        title="Drag to lay it over or under the others"
        className="flex h-full w-5 shrink-0 cursor-grab items-center justify-center text-soft hover:text-ink"
        {...attributes}
        {...listeners}
      >
        <GripVertical size={13} />
      </button>
      {renaming ? (
        <input
          autoFocus
          aria-label={`Name of ${name}`}
          defaultValue={name}
          maxLength={120}
          className="h-6 min-w-0 grow rounded-sm border border-guide bg-white px-1"
          onFocus={(event) => event.target.select()}
          onBlur={(event) => rename(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            if (event.key === 'Escape') setRenaming(false);
          }}
        />
      ) : (
        <button
          type="button"
          aria-pressed={picked}
          title={`${name}: click twice to give it another name`}
          className={`flex h-full min-w-0 grow items-center gap-2 text-left ${shown ? '' : 'text-soft'}`}
          onClick={() => dispatch(pickOriginal(id))}
          onDoubleClick={() => setRenaming(true)}
          onKeyDown={(event) => event.key === 'F2' && setRenaming(true)}
        >
          <Icon size={14} className="shrink-0" />
          <span className="truncate">{name}</span>
        </button>
      )}
      {picked && !renaming && (
        <button
          type="button"
          aria-label={`Duplicate ${name}`}
          title="Duplicate: the copy lies exactly over it"
          className="flex h-full w-7 shrink-0 items-center justify-center text-soft hover:text-ink"
          onClick={duplicate}
        >
          <Copy size={13} />
        </button>
      )}
      <Toggle
        label={`Lock ${name}`}
        on={locked}
        title={locked ? 'Unlock' : 'Lock: it cannot be moved on the table'}
        onClick={() => flip('locked', locked ? 'Unlock' : 'Lock')}
      >
        {locked ? <Lock size={13} /> : <LockOpen size={13} />}
      </Toggle>
      <Toggle
        label={`Show ${name}`}
        on={shown}
        title={shown ? 'Hide: it is kept, and not printed' : 'Show'}
        onClick={() => flip('shown', shown ? 'Hide' : 'Show')}
      >
        {shown ? <Eye size={14} /> : <EyeOff size={14} />}
      </Toggle>
    </li>
  );
}

function Toggle({
  label,
  on,
  title,
  onClick,
  children,
}: {
  label: string;
  on: boolean;
  title: string;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={on}
      title={title}
      onClick={onClick}
      className={`flex h-full w-7 shrink-0 items-center justify-center hover:text-ink ${on ? 'text-ink' : 'text-soft/70'}`}
    >
      {children}
    </button>
  );
}
