import { present } from '@brachytone/core';
import { boundsOf } from '../../controls/bounds.ts';
import { useLayoutEffect, useState, type RefObject } from 'react';

/** A box on the screen, in the screen's own pixels. */
export interface BoxSize {
  readonly width: number;
  readonly height: number;
  /** Screen pixels for one of CSS. */
  readonly ratio: number;
}

/** The size of an element, as it changes; nothing before it is there. */
export function useSize(box: RefObject<HTMLElement | null>): BoxSize {
  const [size, setSize] = useState<BoxSize>({ width: 0, height: 0, ratio: 1 });
  useLayoutEffect(() => {
    const measure = () => {
      const ratio = window.devicePixelRatio || 1;
      const { width, height } = boundsOf(box);
      setSize({ width: Math.round(width * ratio), height: Math.round(height * ratio), ratio });
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(present(box.current, 'element on the page'));
    return () => observer.disconnect();
  }, [box]);
  return size;
}
