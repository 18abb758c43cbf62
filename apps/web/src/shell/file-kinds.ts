/** Files a job can start from: those of an original, and archives of jobs. */
export const STARTS = '.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,.svg,.zip,image/*';

/** Files an original can come from, for a file chooser; the server looks at what is in them. */
export const PICTURES = '.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,.svg,image/*';
