/** The module that holds the order of pixels, as text. */
export function blueNoiseModule(): Promise<string>;
