/**
 * Masks for `addCounts`: for each boundary the pixels from the one before it up to it, then the pixel that it cuts, as bits of the
 * eight bytes from the one in which the boundary before it lies. What is too far apart for that is left out.
 *
 * @param edges whole pixels of the boundaries, in order
 * @param masks sixteen bytes a boundary
 */
export function boundaryMasks(edges: Int32Array, masks: Uint8Array): void {
  masks.fill(0, 0, 16 * edges.length);
  for (let i = 0, at = edges[0]; i < edges.length; at = edges[i++]) {
    const edge = edges[i];
    if (edge - at >= 56) continue;
    const base = at >> 3;
    for (let x = at; x < edge; x++) masks[16 * i + (x >> 3) - base] |= 0x80 >> (x & 7);
    masks[16 * i + 8 + (edge >> 3) - base] = 0x80 >> (edge & 7);
  }
}
