import { present } from '@brachytone/core';
import { useRef } from 'react';
import { useAppSelector } from '../../store/store.ts';
import { useProofLinksQuery } from '../../store/studio-api.ts';
import type { Lie } from '../table/geometry.ts';
import { Overlay } from '../table/overlay.tsx';

/** What clients pinned to places of the sheet. */
export function CommentLayer({ lie, ratio }: { lie: Lie; ratio: number }) {
  const svg = useRef<SVGSVGElement>(null);
  const job = useAppSelector((state) => present(state.job, 'open job').id);
  const { data = [] } = useProofLinksQuery(job);
  const scale = lie.scale / ratio;
  return (
    <Overlay lie={lie} ratio={ratio} label="Clients’ comments" svg={svg}>
      {data.flatMap(({ id, comments }) =>
        comments.map(
          ({ id: comment, place, done, name, text }, i) =>
            place && (
              <g key={`${id} ${comment}`} opacity={done ? 0.5 : 1}>
                <title>{`${name}: ${text}`}</title>
                <circle cx={place.x * scale} cy={place.y * scale} r={10} fill="#a81f3d" stroke="#f6f1e6" />
                <text
                  x={place.x * scale}
                  y={place.y * scale + 4}
                  textAnchor="middle"
                  className="figures !text-[11px]"
                  fill="#f6f1e6"
                >
                  {i + 1}
                </text>
              </g>
            ),
        ),
      )}
    </Overlay>
  );
}
