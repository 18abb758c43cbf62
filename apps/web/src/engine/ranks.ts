/** What goes first: a draft, then the exact picture on the table, then what can wait. */
export const FIRST = 2;
export const SECOND = 1;
export const LAST = 0;
