import { boundsOf } from '../../controls/bounds.ts';
import { after, mapPoint, scaled, sheetToBox, type PictureContent, present } from '@brachytone/core';
import { useRef, type PointerEvent } from 'react';
import { inWorker } from '../../engine/engine.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useFiles } from '../../store/use-files.ts';
import { useEditOriginal, useOriginal, useTheOriginal } from '../../store/use-original.ts';
import { takeTool } from '../../store/view-slice.ts';
import { BrushLayer, putStroke, useSheetToPicture } from './brush-layer.tsx';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';
import { useHeights } from './place-handles.tsx';

interface Props {
  lie: Lie;
  ratio: number;
}

/** What the pointer does on the table for the open cut-out or fade. */
export function PartTools(props: Props) {
  const { step: open, tool } = useAppSelector((state) => state.view);
  const original = useOriginal();
  if (!original || tool === 'none') return null;
  if (open === 'cut' && original.content.kind === 'picture' && original.content.cut) {
    return tool === 'pick' ? <ColourPick {...props} /> : <CutBrush {...props} />;
  }
  return open === 'fade' && original.fade && tool === 'brush' ? <FadeBrush {...props} /> : null;
}

function CutBrush(props: Props) {
  const original = useOriginal();
  const change = useEditOriginal();
  const toShares = useSheetToPicture(original);
  if (!toShares) return null;
  const cut = present((present(original, 'picture').content as PictureContent).cut, 'cut-out');
  return (
    <BrushLayer
      {...props}
      toShares={toShares}
      strokes={cut.strokes}
      onStroke={(stroke, isNew, gesture) =>
        change(
          'Cut-out by hand',
          (draft) =>
            putStroke(present((draft.content as PictureContent).cut, 'cut-out').strokes, stroke, isNew),
          gesture,
        )
      }
    />
  );
}

function FadeBrush(props: Props) {
  const original = useTheOriginal();
  const heightOf = useHeights();
  const change = useEditOriginal();
  const height = heightOf(original);
  if (height === undefined) return null;
  const toShares = after(sheetToBox(original, height), scaled(1, height / original.placement.width));
  return (
    <BrushLayer
      {...props}
      toShares={toShares}
      strokes={present(original.fade, 'fade').strokes}
      onStroke={(stroke, isNew, gesture) =>
        change(
          'Dots by hand',
          (draft) => putStroke(present(draft.fade, 'fade').strokes, stroke, isNew),
          gesture,
        )
      }
    />
  );
}

/** Picks the colour that is cut away. */
function ColourPick({ lie, ratio }: Props) {
  const dispatch = useAppDispatch();
  const original = useOriginal();
  const change = useEditOriginal();
  const files = useFiles();
  const svg = useRef<SVGSVGElement>(null);
  const toShares = useSheetToPicture(original);
  const content = original?.content as PictureContent;
  const file = files.get(content.picture);
  if (!toShares || !file) return null;
  const pick = (event: PointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const bounds = boundsOf(svg);
    const scale = lie.scale / ratio;
    const share = mapPoint(
      toShares,
      (event.clientX - bounds.left) / scale,
      (event.clientY - bounds.top) / scale,
    );
    const place = { x: share.x, y: (share.y * file.width) / file.height };
    if (place.x < 0 || place.x > 1 || place.y < 0 || place.y > 1) return;
    void inWorker((worker) => worker.colourAt(content.picture, place)).then((colour) => {
      if (!colour) return;
      change('Colour to cut away', (draft) => {
        Object.assign(present((draft.content as PictureContent).cut, 'cut-out'), { colour, place });
      });
      dispatch(takeTool('none'));
    });
  };
  return (
    <Overlay
      svg={svg}
      lie={lie}
      ratio={ratio}
      role="application"
      label="Pick a colour"
      className="cursor-crosshair"
      onDown={pick}
    >
      <rect width="100%" height="100%" fill="transparent" />
    </Overlay>
  );
}
