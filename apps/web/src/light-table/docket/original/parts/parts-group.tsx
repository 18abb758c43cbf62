import { gradientOf, hasTones, type OriginalRecipe, present } from '@brachytone/core';
import { NEW_COLOUR_DOTS, NEW_CUT, NEW_FADE, NEW_MIX, newContainer } from '@brachytone/job';
import { Plus } from 'lucide-react';
import type { Draft } from 'immer';
import { useEffect } from 'react';
import { Menu, MenuItem } from '../../../../controls/menu.tsx';
import { useAppDispatch, useAppSelector } from '../../../../store/store.ts';
import { useEditOriginal, useTheOriginal } from '../../../../store/use-original.ts';
import { openStep, showTable } from '../../../../store/view-slice.ts';
import { Card } from '../../card.tsx';
import { Group, ResetButton } from '../../group.tsx';
import { ColourDotsControls, colourDotsWords } from './colour-dots-controls.tsx';
import { ContainerControls, containerWords } from './container-controls.tsx';
import { CutControls, cutWords } from './cut-controls.tsx';
import { FadeControls, fadeWords } from './fade-controls.tsx';
import { MixControls, mixWords } from './mix-controls.tsx';
import { PictureFile } from './picture-file.tsx';

/** A part of an original that it may have or not. */
interface Part {
  readonly id: 'cut' | 'container' | 'fade' | 'mix' | 'colour-dots';
  readonly name: string;
  readonly says: string;
  /** Whether an original may have it. */
  readonly suits: (original: OriginalRecipe) => boolean;
  /** Its settings in a word or two; null when the original has none. */
  readonly words: (original: OriginalRecipe) => string | null;
  readonly put: (draft: Draft<OriginalRecipe>, there: boolean) => void;
  readonly Controls: () => React.ReactNode;
}

/** True for what is screened, letters filled with a gradient among it. */
const isScreened = (original: OriginalRecipe): boolean =>
  hasTones(original) || gradientOf(original) !== undefined;

const PARTS: readonly Part[] = [
  {
    id: 'cut',
    name: 'Cut-out',
    says: 'Takes the background away: by colour, by brightness, from the edges inward, by hand.',
    suits: ({ content }) => content.kind === 'picture',
    words: ({ content }) => (content.kind === 'picture' && content.cut ? cutWords(content.cut) : null),
    put: ({ content }, there) => {
      if (content.kind === 'picture') content.cut = there ? (structuredClone(NEW_CUT) as never) : null;
    },
    Controls: CutControls,
  },
  {
    id: 'container',
    name: 'Container',
    says: 'Seen in a rectangle, an ellipse or a shape of your own; cut, whole-dot or feathered at its edge.',
    suits: () => true,
    words: ({ container }) => container && containerWords(container),
    put: (draft, there) => void (draft.container = there ? newContainer('ellipse') : null),
    Controls: ContainerControls,
  },
  {
    id: 'fade',
    name: 'Fade',
    says: 'Dissolves into dots, from a gradient or its own tones; dots can be painted in or out.',
    suits: () => true,
    words: ({ fade }) => fade && fadeWords(fade),
    put: (draft, there) => void (draft.fade = there ? (structuredClone(NEW_FADE) as never) : null),
    Controls: FadeControls,
  },
  {
    id: 'mix',
    name: 'Mix',
    says: 'Lays its own dots over its smooth tones, with a strength and a blend.',
    suits: isScreened,
    words: ({ mix }) => mix && mixWords(mix),
    put: (draft, there) => void (draft.mix = there ? { ...NEW_MIX } : null),
    Controls: MixControls,
  },
  {
    id: 'colour-dots',
    name: 'Colour dots',
    says: 'Flat dots, each in the one colour of the picture under it; as a picture or as geometry.',
    suits: ({ content }) => content.kind === 'picture' && !content.line,
    words: ({ colourDots }) => colourDots && colourDotsWords(colourDots),
    put: (draft, there) => void (draft.colourDots = there ? { ...NEW_COLOUR_DOTS } : null),
    Controls: ColourDotsControls,
  },
];

/** What an original is seen through: its cut-out, container, fade, mix and colour dots, each a card. */
export function PartsGroup() {
  const dispatch = useAppDispatch();
  const original = useTheOriginal();
  const change = useEditOriginal();
  const open = useAppSelector((state) => state.view.step);
  const cutting = open === 'cut' && original.content.kind === 'picture' && original.content.cut !== null;
  // A cut-out is looked at in the picture's own colours, with what goes in ruby; colour dots have no others.
  const coloured = cutting || (open === 'colour-dots' && original.colourDots !== null);
  useEffect(() => {
    if (!coloured) return;
    dispatch(showTable('original'));
    return () => {
      dispatch(showTable('proof'));
    };
  }, [coloured, dispatch]);
  const there = PARTS.filter((part) => part.words(original) !== null);
  const rest = PARTS.filter((part) => !there.includes(part) && part.suits(original));
  return (
    <Group name="Shape and blending">
      {there.map(({ id, name, says, words, put, Controls }) => (
        <Card
          key={id}
          id={id}
          name={name}
          says={says}
          words={present(words(original), 'part that has words')}
        >
          <Controls />
          <div className="mt-1.5 flex justify-end">
            <ResetButton
              label={`Remove ${name.toLowerCase()}`}
              onClick={() => {
                dispatch(openStep(null));
                change(`Remove ${name.toLowerCase()}`, (draft) => put(draft, false));
              }}
            />
          </div>
        </Card>
      ))}
      {there.length === 0 && <p className="mb-2 text-soft">All of it, in its own box.</p>}
      {rest.length > 0 && (
        <Menu
          label={
            <>
              <Plus size={13} /> Cut, shape or dissolve
            </>
          }
        >
          {rest.map(({ id, name, says, put }) => (
            <MenuItem
              key={id}
              name={name}
              says={says}
              onPick={() => {
                change(`Add ${name.toLowerCase()}`, (draft) => put(draft, true));
                dispatch(openStep(id));
              }}
            />
          ))}
        </Menu>
      )}
      <PictureFile />
    </Group>
  );
}
