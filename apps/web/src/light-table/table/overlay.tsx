import type { PointerEvent, ReactNode, Ref } from 'react';
import type { Lie } from './geometry.ts';

/** A layer over the trimmed sheet, its origin at the sheet's corner, in CSS pixels. */
export function Overlay({
  lie,
  ratio,
  label,
  role = 'group',
  className = '',
  onMove,
  onEnd,
  onDown,
  onLeave,
  svg,
  children,
}: {
  lie: Lie;
  ratio: number;
  label: string;
  role?: 'group' | 'application';
  className?: string;
  onMove?: (event: PointerEvent) => void;
  onEnd?: () => void;
  onDown?: (event: PointerEvent) => void;
  onLeave?: () => void;
  svg: Ref<SVGSVGElement>;
  children: ReactNode;
}) {
  return (
    <svg
      ref={svg}
      role={role}
      aria-label={label}
      className={`absolute overflow-visible ${className}`}
      style={{
        left: lie.left / ratio,
        top: lie.top / ratio,
        width: lie.width / ratio,
        height: lie.height / ratio,
        ...(role === 'group' ? { pointerEvents: 'none' } : {}),
      }}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onEnd}
      onPointerCancel={onEnd}
      onPointerLeave={onLeave}
    >
      {children}
    </svg>
  );
}
