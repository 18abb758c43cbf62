/** A typeface that ships with the program: open, heavy, and named by its makers. */
export interface ShippedTypeface {
  readonly name: string;
  /** SHA-256 of its file, by which lettering names it. */
  readonly sha256: string;
  /** Name of its file among the server's typefaces. */
  readonly file: string;
}

/** SHA-256 of the typeface that labels of films are set in. */
export const LABEL_TYPEFACE = 'b044b2cd6831a5671bd86e98a87912b5754314d8b2bda279abb3a91ca794e1b1';

/** All four are under the SIL Open Font License 1.1, its text beside them. */
export const SHIPPED_TYPEFACES: readonly ShippedTypeface[] = [
  {
    name: 'Anton',
    sha256: '8b71c21962cd08b95fc2186386b121d853de5f7e02db382ed329c5a80a04c4d1',
    file: 'anton.woff',
  },
  {
    name: 'Alfa Slab One',
    sha256: '84b58b9d813cf482c2d69bfc31c3bce9eb6d03ef805e4c6619eb4a012d953451',
    file: 'alfa-slab-one.woff',
  },
  {
    name: 'Bowlby One',
    sha256: '1d99f74b2c5c5511d0d4bc0edb09795b47332536bbcf06aa187aac39e4e9e3d6',
    file: 'bowlby-one.woff',
  },
  {
    name: 'Archivo',
    sha256: LABEL_TYPEFACE,
    file: 'archivo.ttf',
  },
];
