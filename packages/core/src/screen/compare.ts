/**
 * The heart of the program: packs eight comparisons coverage > threshold into each byte, most significant bit first.
 * The sign of threshold − coverage is set exactly where there is ink. Shifting signs in one after another, with the
 * bounds taken from the arrays themselves, is the form that measures fastest (see bench/).
 *
 * @param coverage   the pixels, eight for each byte; a rest of less than eight is left alone
 * @param thresholds at least as many
 * @param out        at least one byte for every eight
 */
export function compareBytes(coverage: Uint16Array, thresholds: Uint16Array, out: Uint8Array): void {
  const end = Math.min(coverage.length, thresholds.length) - 7;
  for (let i = 0; i < end; i += 8) {
    let byte = (thresholds[i] - coverage[i]) >>> 31;
    byte = (byte << 1) | ((thresholds[i + 1] - coverage[i + 1]) >>> 31);
    byte = (byte << 1) | ((thresholds[i + 2] - coverage[i + 2]) >>> 31);
    byte = (byte << 1) | ((thresholds[i + 3] - coverage[i + 3]) >>> 31);
    byte = (byte << 1) | ((thresholds[i + 4] - coverage[i + 4]) >>> 31);
    byte = (byte << 1) | ((thresholds[i + 5] - coverage[i + 5]) >>> 31);
    byte = (byte << 1) | ((thresholds[i + 6] - coverage[i + 6]) >>> 31);
    byte = (byte << 1) | ((thresholds[i + 7] - coverage[i + 7]) >>> 31);
    out[i >>> 3] = byte;
  }
}
