import {
  after,
  inverse,
  mapPoint,
  moved,
  pointsOf,
  scaled,
  type Affine,
  type Stroke,
  present,
} from '@brachytone/core';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { useOriginal } from '../../store/use-original.ts';
import { useRef } from 'react';
import { useRoute } from '../docket/inks/routes/use-route.ts';
import { BrushLayer, useSheetToPicture } from './brush-layer.tsx';
import type { Lie } from './geometry.ts';
import { MaskTools } from './mask-tools.tsx';
import { Overlay } from './overlay.tsx';

interface Props {
  lie: Lie;
  ratio: number;
}

/** A list of strokes with one more, or its last made longer. */
const withStroke = (strokes: readonly Stroke[], stroke: Stroke, isNew: boolean): Stroke[] =>
  isNew ? [...strokes, stroke] : [...strokes.slice(0, -1), stroke];

/** What is painted in or away on the open plate, or of the open painted ink: shown in ruby while it is painted with the brush. */
export function TouchUp(props: Props) {
  const open = useAppSelector((state) => state.view.step);
  if (open?.startsWith('ink:')) {
    const ink = open.slice(4);
    return (
      <>
        <PlateBrush {...props} ink={ink} />
        <MaskTools {...props} ink={ink} />
      </>
    );
  }
  if (open?.startsWith('painted:')) return <PaintedBrush {...props} index={Number(open.slice(8))} />;
  return null;
}

function PlateBrush({ lie, ratio, ink }: Props & { ink: string }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { tool, region } = useAppSelector((state) => state.view);
  const at = recipe.plates.findIndex((plate) => plate.ink === ink);
  const plate = recipe.plates[at];
  if (!plate || tool !== 'brush') return null;
  const open = region === null ? undefined : plate.regions?.[region];
  const { strokes } = open ?? plate;
  const toShares = after(moved(-plate.shift.x, -plate.shift.y), scaled(1 / recipe.sheet.width));
  return (
    <>
      <Strokes lie={lie} ratio={ratio} toShares={toShares} strokes={strokes} />
      <BrushLayer
        lie={lie}
        ratio={ratio}
        toShares={toShares}
        strokes={strokes}
        onStroke={(stroke, isNew, gesture) =>
          dispatch(
            edit(
              open ? 'Painted region' : 'Touch-up',
              (draft) => {
                const own = draft.recipe.plates[at];
                const holder = open && region !== null ? present(own.regions, 'regions')[region] : own;
                Object.assign(holder, { strokes: withStroke(strokes, stroke, isNew) });
              },
              gesture,
            ),
          )
        }
      />
    </>
  );
}

function PaintedBrush({ lie, ratio, index }: Props & { index: number }) {
  const original = useOriginal();
  const toShares = useSheetToPicture(original);
  const tool = useAppSelector((state) => state.view.tool);
  const { set } = useRoute(present(original, 'original to touch up'));
  if (!toShares || original?.route.kind !== 'bands' || tool !== 'brush') return null;
  const { painted } = original.route;
  const one = painted[index];
  if (!one) return null;
  return (
    <>
      <Strokes lie={lie} ratio={ratio} toShares={toShares} strokes={one.strokes} />
      <BrushLayer
        lie={lie}
        ratio={ratio}
        toShares={toShares}
        strokes={one.strokes}
        onStroke={(stroke, isNew, gesture) =>
          set(
            'Painted area',
            {
              painted: painted.map((other, i) =>
                i === index ? { ...other, strokes: withStroke(one.strokes, stroke, isNew) } : other,
              ),
            },
            gesture,
          )
        }
      />
    </>
  );
}

/** Strokes in ruby: what is painted away as a film over the sheet, what is painted in as an outline. */
function Strokes({
  lie,
  ratio,
  toShares,
  strokes,
}: Props & { toShares: Affine; strokes: readonly Stroke[] }) {
  const svg = useRef<SVGSVGElement>(null);
  const toSheet = inverse(toShares);
  const scale = lie.scale / ratio;
  const wide = Math.hypot(toSheet.xx, toSheet.yx);
  if (strokes.length === 0) return null;
  return (
    <Overlay svg={svg} lie={lie} ratio={ratio} label="Strokes in ruby">
      {strokes
        .map((stroke) => ({ ...stroke, places: pointsOf(stroke) }))
        .map(({ places, radius, strength }, i) => (
          <polyline
            key={i}
            points={[...places, ...places.slice(-1)]
              .map(([x, y]) => mapPoint(toSheet, x, y))
              .map(({ x, y }) => `${x * scale},${y * scale}`)
              .join(' ')}
            fill="none"
            stroke="#a81f3d"
            strokeOpacity={strength < 0 ? 0.4 : 0.18}
            strokeWidth={Math.max(2, radius * wide * scale * 2)}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
    </Overlay>
  );
}
