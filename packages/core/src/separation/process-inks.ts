import { ink } from './route-field.ts';
import { hasTwice, INK_TWICE } from './route-kind.ts';

/** Ids of the four process inks. */
export interface ProcessInks {
  readonly cyan: string;
  readonly magenta: string;
  readonly yellow: string;
  readonly black: string;
}

/** What they are described by. */
export const PROCESS_INK_FIELDS = {
  cyan: ink('Cyan'),
  magenta: ink('Magenta'),
  yellow: ink('Yellow'),
  black: ink('Black'),
} as const;

/** In the order of a process table: cyan, magenta, yellow, black. */
export const processIds = ({ cyan, magenta, yellow, black }: ProcessInks): string[] => [
  cyan,
  magenta,
  yellow,
  black,
];

export const processProblem = (route: ProcessInks): string | undefined =>
  hasTwice(processIds(route)) ? INK_TWICE : undefined;
