import { effectiveResolution, type Content } from '@brachytone/core';
import { useEffect, type ComponentType } from 'react';
import { useAppDispatch } from '../../../store/store.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { openStep, showTable } from '../../../store/view-slice.ts';
import { shortSheet } from '../../../words/words.ts';
import { Group } from '../group.tsx';
import { AddOriginal } from './add-original.tsx';
import { DrawingGroup } from './drawing-group.tsx';
import { GradientGroup } from './gradient-group.tsx';
import { LetteringGroup } from './lettering-group.tsx';
import { OriginalList } from './original-list.tsx';
import { PartsGroup } from './parts/parts-group.tsx';
import { PictureGroup } from './picture-group.tsx';
import { PlaceGroup } from './place-group.tsx';
import { TakeOver } from './take-over.tsx';
import { SheetGroup } from './sheet-group.tsx';
import { TintGroup } from './tint-group.tsx';

/** What each kind of content is set by. */
const CONTENT_GROUPS: { readonly [Kind in Content['kind']]: ComponentType } = {
  picture: PictureGroup,
  drawing: DrawingGroup,
  gradient: GradientGroup,
  lettering: LetteringGroup,
  tint: TintGroup,
};

export function OriginalSummary() {
  const { recipe } = useDocument();
  const files = useFiles();
  const { originals, sheet } = recipe;
  const [only] = originals;
  const file =
    originals.length === 1 && only.content.kind === 'picture' ? files.get(only.content.picture) : undefined;
  const rest =
    file && only.content.kind === 'picture'
      ? `${Math.round(effectiveResolution(only.content.crop, only.placement.width, file))} ppi`
      : originals.length === 1
        ? only.name.toLowerCase()
        : `${originals.length} originals`;
  return (
    <span className="truncate">
      {shortSheet(sheet)} · {rest}
    </span>
  );
}

export function OriginalStage() {
  const dispatch = useAppDispatch();
  const original = useOriginal();
  const ContentGroup = original && CONTENT_GROUPS[original.content.kind];
  // Left for another stage, the crop is done.
  useEffect(
    () => () => {
      dispatch(openStep(null));
      dispatch(showTable('proof'));
    },
    [dispatch],
  );
  return (
    <>
      <Group name="On the sheet">
        <OriginalList />
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <AddOriginal />
          {original && <TakeOver />}
        </div>
      </Group>
      {ContentGroup && <ContentGroup />}
      {original && <PartsGroup />}
      {original && <PlaceGroup />}
      <SheetGroup />
    </>
  );
}
