/** Files a job can start from: those of an original, and archives of jobs. */
export const STARTS = '.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,.svg,.zip,image/*';

/** Files an original can come from, for a file chooser; the server looks at what is in them. */
export const PICTURES = '.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,.svg,image/*';

export const TYPEFACES = '.ttf,.otf,.woff,.woff2';

/** What a series is made from beside pictures: archives of them, and tables. */
const ARCHIVES_AND_TABLES = '.zip,.csv,.tsv';

/** Files a series takes. */
export const FOR_SERIES = `.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,${ARCHIVES_AND_TABLES},image/*`;

/** True for an archive or a table, by its name. */
export const isArchiveOrTable = (name: string): boolean =>
  ARCHIVES_AND_TABLES.split(',').some((ending) => name.toLowerCase().endsWith(ending));
