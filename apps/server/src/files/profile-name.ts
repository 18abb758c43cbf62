/** The description in an ICC profile: a `desc` tag of type `desc` or `mluc` (ICC.1:2022, 10.13). */
export function profileName(icc: Uint8Array): string {
  const view = new DataView(icc.buffer, icc.byteOffset, icc.byteLength);
  const text = (from: number, length: number) =>
    Buffer.from(icc.subarray(from, from + length)).toString('latin1');
  const count = icc.byteLength > 132 ? view.getUint32(128) : 0;
  for (let i = 0; i < Math.min(count, 100); i++) {
    const entry = 132 + i * 12;
    if (entry + 12 > icc.byteLength || text(entry, 4) !== 'desc') continue;
    const at = view.getUint32(entry + 4);
    if (at + 28 > icc.byteLength) break;
    if (text(at, 4) === 'desc') return text(at + 12, Math.max(0, view.getUint32(at + 8) - 1));
    const length = view.getUint32(at + 20);
    const from = at + view.getUint32(at + 24);
    return Buffer.from(icc.slice(from, from + length))
      .swap16()
      .toString('utf16le');
  }
  return 'embedded profile';
}
