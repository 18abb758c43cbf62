// What goes first: a draft, then the exact picture on the table, then drafts of small pictures, then what can wait.
export const FIRST = 3;
export const SECOND = 2;
export const THIRD = 1;
export const LAST = 0;
