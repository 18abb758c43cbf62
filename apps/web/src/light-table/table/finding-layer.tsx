import { useRef } from 'react';
import { useAppSelector } from '../../store/store.ts';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';

/** The places of the finding that is shown, outlined on the sheet. */
export function FindingLayer({ lie, ratio }: { lie: Lie; ratio: number }) {
  const svg = useRef<SVGSVGElement>(null);
  const { findings, shown } = useAppSelector((state) => state.check);
  const finding = findings?.find(({ says }) => says === shown?.says);
  if (!finding || !shown) return null;
  const scale = lie.scale / ratio;
  return (
    <Overlay lie={lie} ratio={ratio} label="Places of the finding" svg={svg}>
      {finding.places.map(({ x, y, width, height }, i) => (
        <rect
          key={i}
          x={x * scale - 3}
          y={y * scale - 3}
          width={width * scale + 6}
          height={height * scale + 6}
          fill="none"
          stroke="#a81f3d"
          strokeWidth={i === shown.place ? 2 : 1}
          strokeDasharray={i === shown.place ? undefined : '4 3'}
        />
      ))}
    </Overlay>
  );
}
