import type { Mesh } from './press.ts';

/**
 * Share of a thread's width that stays bare in the print: ink that comes through the openings runs together under the rest of it. Common practice,
 * no source; it differs from ink to ink.
 */
const MARK = 0.35;

/** Width of the bare mark that a thread leaves, as a share of the way from one thread to the next, 0–1. */
export const markShare = ({ count, thread }: Mesh): number => MARK * (thread / 1000) * (count / 10);

/** Share of the print that threads leave to ink, 0–1. */
export const openShare = (mesh: Mesh): number => (1 - markShare(mesh)) ** 2;
