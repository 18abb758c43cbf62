/** Files an original can come from, for a file chooser; the server looks at what is in them. */
export const PICTURES = '.jpg,.jpeg,.png,.tif,.tiff,.webp,.avif,.svg,image/*';
