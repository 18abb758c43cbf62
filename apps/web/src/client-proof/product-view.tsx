import type { ClientProof } from '@brachytone/job';
import { useEffect, useEffectEvent, useRef } from 'react';
import { likelyScene, SCENES } from '../light-table/product/scenes.ts';
import { drawWarped } from '../light-table/product/warp.ts';
import { useSize } from '../light-table/table/use-size.ts';
import { pictureOf, want } from './pictures.ts';

/** Pixels of the longer side of the print. */
const LONGER = 1800;
const PATH = `/whole?longer=${LONGER}&look=print`;

/** The print on what it is printed on, true to scale. */
export function ProductView({ proof: { sheet, stock } }: { proof: ClientProof }) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = useSize(box);
  const draw = useEffectEvent(() => {
    const context = canvas.current?.getContext('2d');
    const scene = SCENES.find(({ id }) => id === likelyScene(sheet, stock.isCloth));
    const print = pictureOf(PATH);
    if (!context || !scene) return;
    const extent = scene.extent(sheet);
    const scale = Math.min(size.width / extent.width, size.height / extent.height);
    const [left, top] = [(size.width - extent.width * scale) / 2, (size.height - extent.height * scale) / 2];
    const onSheet = () => context.setTransform(scale, 0, 0, scale, left, top);
    onSheet();
    scene.under(context, sheet, stock.colour);
    context.save();
    const shape = scene.shape?.(sheet);
    if (shape) context.clip(shape);
    context.setTransform(1, 0, 0, 1, 0, 0);
    const place = scene.place(sheet);
    if (print)
      drawWarped(context, print, (u, v) => {
        const { x, y } = place(u, v);
        return { x: left + x * scale, y: top + y * scale };
      });
    context.restore();
    onSheet();
    scene.over?.(context, sheet);
  });
  useEffect(() => want('product', [PATH], () => draw()), []);
  useEffect(() => draw(), [size.width, size.height]);
  return (
    <div ref={box} className="relative min-w-0 grow overflow-hidden bg-bench">
      <canvas
        ref={canvas}
        aria-label="The print on its product"
        width={size.width}
        height={size.height}
        className="absolute inset-0 size-full"
      />
    </div>
  );
}
