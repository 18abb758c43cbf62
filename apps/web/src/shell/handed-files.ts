/** Files that one page gives to the next, and for what: a picture's SHA-256 or a job's identifier. A file cannot go in an address. */
let handed: { readonly to: string; readonly files: readonly File[] } = { to: '', files: [] };

export const handFiles = (to: string, files: readonly File[]): void => {
  handed = { to, files };
};

/** How many files wait there. */
export const handedCount = (to: string): number => (handed.to === to ? handed.files.length : 0);

/** Takes the files that wait; they wait no longer. */
export function takeHandedFiles(to: string): readonly File[] {
  if (handed.to !== to) return [];
  const { files } = handed;
  handed = { to: '', files: [] };
  return files;
}
