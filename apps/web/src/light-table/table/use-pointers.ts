import { useRef, type PointerEvent } from 'react';

interface Point {
  readonly x: number;
  readonly y: number;
}

/** What pointers do to what lies on a table; places are the page's, in CSS pixels. */
export interface Gestures<Base> {
  /** What a gesture begins from. */
  readonly begin: () => Base;
  readonly drag: (base: Base, by: Point) => void;
  /** Two fingers: apart or together by a factor about a place, and on by a distance. */
  readonly pinch: (base: Base, around: Point, factor: number, by: Point) => void;
  /** A finger that rests; false when it is lifted. */
  readonly hold?: (held: boolean) => void;
}

/** Farther than this a press is a drag. */
const SLACK = 3;
/** A finger is less steady. */
const FINGER_SLACK = 8;
/** A finger that rests so long is held, ms. */
const HOLD = 450;

interface Press<Base> {
  readonly base: Base;
  readonly from: readonly Point[];
}

const between = ([a, b]: readonly Point[]): number => Math.hypot(a.x - b.x, a.y - b.y);
const middle = ([a, b]: readonly Point[]): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

/** Handlers that tell drags, pinches and resting fingers apart. */
export function usePointers<Base>({ begin, drag, pinch, hold }: Gestures<Base>) {
  const down = useRef(new Map<number, Point>());
  const press = useRef<Press<Base> | undefined>(undefined);
  const held = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const restart = () => {
    const from = [...down.current.values()];
    press.current = from.length > 0 ? { base: begin(), from } : undefined;
  };
  const onPointerDown = (event: PointerEvent) => {
    if (event.button > 1 || down.current.size === 2) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    down.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    clearTimeout(timer.current);
    if (hold && event.pointerType === 'touch' && down.current.size === 1) {
      timer.current = setTimeout(() => {
        held.current = true;
        hold(true);
      }, HOLD);
    }
    restart();
  };
  const onPointerMove = (event: PointerEvent) => {
    if (!down.current.has(event.pointerId)) return;
    down.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (!press.current || held.current) return;
    const { base, from } = press.current;
    const now = [...down.current.values()];
    if (now.length === 2 && from.length === 2) {
      const [was, is] = [middle(from), middle(now)];
      pinch(base, was, between(now) / Math.max(1, between(from)), { x: is.x - was.x, y: is.y - was.y });
      return;
    }
    const by = { x: now[0].x - from[0].x, y: now[0].y - from[0].y };
    if (Math.hypot(by.x, by.y) < (event.pointerType === 'touch' ? FINGER_SLACK : SLACK)) return;
    clearTimeout(timer.current);
    drag(base, by);
  };
  const onPointerUp = (event: PointerEvent) => {
    if (!down.current.delete(event.pointerId)) return;
    clearTimeout(timer.current);
    if (held.current) hold?.(false);
    held.current = false;
    restart();
  };
  return { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp };
}
