import { present } from '@brachytone/core';
import type { RefObject } from 'react';

/** Where an element that is on the page lies, in CSS pixels of the window. */
export const boundsOf = (element: RefObject<Element | null>): DOMRect =>
  present(element.current, 'element on the page').getBoundingClientRect();
