export interface Licence {
  readonly name: string;
  readonly version: string;
  /** SPDX expression; empty where nothing says what it is. */
  readonly licence: string;
  readonly isDeclared: boolean;
  readonly text: string;
}
export function licences(): Licence[];
