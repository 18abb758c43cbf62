/** Pages of 64 KB that the kernels cannot do without, and with room for bands; untouched ones cost nothing. */
export const PAGES = { least: 2784, most: 6528 };
