import type { ClientProof, SheetPlace } from '@brachytone/job';
import { Maximize, Minus, Plus } from 'lucide-react';
import { useEffect, useEffectEvent, useRef, useState, type ReactNode } from 'react';
import { Button } from '../controls/button.tsx';
import { usePointers } from '../light-table/table/use-pointers.ts';
import { useSize } from '../light-table/table/use-size.ts';
import { Loupe } from './loupe.tsx';
import { pictureOf, want } from './pictures.ts';
import { kept, lieAt, scaleOf, seenTiles, stepsFrom, type Lie, type Look, type Step } from './steps.ts';

/** Room around the whole sheet, CSS pixels. */
const MARGIN = 28;
/** Farther than this, CSS pixels, a press is a drag. */
const SLACK = 4;

interface Props {
  readonly proof: ClientProof;
  readonly look: Look;
  readonly hasLoupe: boolean;
  /** Takes a place that is pressed. */
  readonly onPlace: ((place: SheetPlace) => void) | undefined;
  /** What lies on the sheet, where its places come to lie in CSS pixels. */
  readonly children: (at: (place: SheetPlace) => { left: number; top: number }) => ReactNode;
}

/** The sheet, from the whole of it to its dots; every picture at its own pixels. */
export function SheetView({ proof, look, hasLoupe, onPlace, children }: Props) {
  const { film, sheet } = proof;
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = useSize(box);
  const margin = MARGIN * size.ratio;
  const whole = Math.max(
    0.0001,
    Math.min((size.width - 2 * margin) / film.width, (size.height - 2 * margin) / film.height, 1),
  );
  const steps = stepsFrom(whole);
  const [place, setPlace] = useState<{ step: number; point: { x: number; y: number } }>({
    step: 0,
    point: { x: film.width / 2, y: film.height / 2 },
  });
  const [pointer, setPointer] = useState<{ x: number; y: number }>();
  const step: Step = steps[Math.min(place.step, steps.length - 1)];
  const scale = scaleOf(step, whole);
  const middle = { x: size.width / 2, y: size.height / 2 };
  const lie: Lie = kept(lieAt(scale, place.point, middle), film, size);

  const longer = Math.round(Math.max(film.width, film.height) * whole);
  const wholePath = `/whole?longer=${Math.max(32, Math.min(2400, longer))}&look=${look}`;
  const tiles = step === 'whole' ? [] : seenTiles(step, lie, film, size, look);
  const draw = useEffectEvent(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, size.width, size.height);
    const [width, height] = [film.width * scale, film.height * scale];
    context.fillStyle = proof.stock.colour;
    context.fillRect(lie.left, lie.top, Math.round(width), Math.round(height));
    const all = pictureOf(wholePath);
    // Until what is near has come, the whole stands for it.
    if (all) context.drawImage(all, lie.left, lie.top, Math.round(width), Math.round(height));
    context.imageSmoothingEnabled = false;
    for (const tile of tiles) {
      const picture = pictureOf(tile.path);
      if (picture) context.drawImage(picture, tile.left, tile.top, tile.width, tile.height);
    }
    context.imageSmoothingEnabled = true;
    if (canvas.current) {
      canvas.current.dataset.whole = String(
        all !== undefined && tiles.every(({ path }) => pictureOf(path) !== undefined),
      );
    }
  });
  const paths = [wholePath, ...tiles.map(({ path }) => path)].join(' ');
  useEffect(() => want('sheet', paths.split(' '), () => draw()), [paths]);
  useEffect(() => draw(), [paths, lie.left, lie.top, scale, size.width, size.height]);

  const onFilm = (x: number, y: number) => ({ x: (x - lie.left) / scale, y: (y - lie.top) / scale });
  /** A step nearer or farther, with what is at a place of the screen staying there. */
  const go = (by: number, on: { x: number; y: number } = middle) => {
    const next = Math.max(0, Math.min(steps.length - 1, place.step + by));
    const point = onFilm(on.x, on.y);
    const there = scaleOf(steps[next], whole);
    setPlace({
      step: next,
      point: { x: point.x + (middle.x - on.x) / there, y: point.y + (middle.y - on.y) / there },
    });
  };
  const inBox = (event: { clientX: number; clientY: number }) => {
    const bounds = box.current?.getBoundingClientRect();
    return {
      x: (event.clientX - (bounds?.left ?? 0)) * size.ratio,
      y: (event.clientY - (bounds?.top ?? 0)) * size.ratio,
    };
  };
  const turned = useRef(0);
  useEffect(() => {
    const element = box.current;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      turned.current += event.deltaY;
      // A step for a notch of a wheel, and no more for a long sweep of a pad.
      if (Math.abs(turned.current) < 60) return;
      go(turned.current < 0 ? 1 : -1, inBox(event));
      turned.current = 0;
    };
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  });
  const pressed = useRef<{ x: number; y: number } | undefined>(undefined);
  const pinched = useRef(1);
  const pointers = usePointers({
    begin: () => {
      pinched.current = 1;
      return onFilm(middle.x, middle.y);
    },
    drag: (from, by) =>
      setPlace({
        ...place,
        point: { x: from.x - (by.x * size.ratio) / scale, y: from.y - (by.y * size.ratio) / scale },
      }),
    pinch: (_, around, factor) => {
      const moved = Math.round(Math.log2(factor / pinched.current));
      if (moved === 0) return;
      pinched.current *= 2 ** moved;
      go(moved, inBox({ clientX: around.x, clientY: around.y }));
    },
  });

  const css = (pixels: number) => pixels / size.ratio;
  const mm = film.width / sheet.width;
  const at = ({ x, y }: SheetPlace) => ({
    left: css(lie.left + x * mm * scale),
    top: css(lie.top + y * mm * scale),
  });
  return (
    <div
      ref={box}
      role="group"
      aria-label="Proof"
      className={`relative min-w-0 grow touch-none overflow-hidden bg-bench ${onPlace ? 'cursor-crosshair' : 'cursor-grab active:cursor-grabbing'}`}
      {...pointers}
      onPointerDown={(event) => {
        pressed.current = { x: event.clientX, y: event.clientY };
        pointers.onPointerDown(event);
      }}
      onPointerMove={(event) => {
        setPointer(inBox(event));
        pointers.onPointerMove(event);
      }}
      onPointerLeave={() => setPointer(undefined)}
      onPointerUp={(event) => {
        pointers.onPointerUp(event);
        const from = pressed.current;
        pressed.current = undefined;
        if (!onPlace || !from || Math.hypot(event.clientX - from.x, event.clientY - from.y) > SLACK) return;
        const point = onFilm(inBox(event).x, inBox(event).y);
        const [x, y] = [point.x / mm, point.y / mm];
        if (x >= 0 && y >= 0 && x <= sheet.width && y <= sheet.height) onPlace({ x, y });
      }}
    >
      <div
        className="absolute shadow-[0_1px_5px_rgb(0_0_0/0.28)]"
        style={{
          left: css(lie.left),
          top: css(lie.top),
          width: css(Math.round(film.width * scale)),
          height: css(Math.round(film.height * scale)),
        }}
      />
      <canvas
        ref={canvas}
        data-testid="proof-canvas"
        width={size.width}
        height={size.height}
        className="absolute inset-0"
        style={{ width: css(size.width), height: css(size.height) }}
      />
      {children(at)}
      {hasLoupe && pointer && (
        <Loupe
          proof={proof}
          look={look}
          point={onFilm(pointer.x, pointer.y)}
          at={{ x: css(pointer.x), y: css(pointer.y) }}
          ratio={size.ratio}
        />
      )}
      <div
        className="absolute bottom-4 left-4 flex items-center gap-1"
        onPointerDown={(event) => event.stopPropagation()}
      >
        <Button aria-label="Farther" className="!px-2" disabled={place.step === 0} onClick={() => go(-1)}>
          <Minus size={15} />
        </Button>
        <Button
          aria-label="The whole sheet"
          className="!px-2"
          onClick={() => setPlace({ ...place, step: 0 })}
        >
          <Maximize size={15} />
        </Button>
        <Button
          aria-label="Nearer"
          className="!px-2"
          disabled={place.step >= steps.length - 1}
          onClick={() => go(1)}
        >
          <Plus size={15} />
        </Button>
        <span className="rounded-sm bg-raised/85 px-2 py-0.5">{stepWords(step)}</span>
      </div>
    </div>
  );
}

const stepWords = (step: Step): string =>
  step === 'whole'
    ? 'The whole sheet'
    : step.level > 0
      ? `A pixel for ${2 ** step.level} of the film’s`
      : step.times === 1
        ? 'Every dot'
        : `Every dot, ${step.times} times as large`;
