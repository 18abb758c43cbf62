/**
 * Where a file's bytes go: written one after another, with a few put in afterwards at a place already written. The bytes
 * are the caller's own again once `write` returns.
 */
export interface Sink {
  write(bytes: Uint8Array): void;
  patch(offset: number, bytes: Uint8Array): void;
}

/** A sink in memory. */
export function memorySink(): Sink & { readonly bytes: () => Uint8Array } {
  const parts: Uint8Array[] = [];
  let length = 0;
  const patches: { offset: number; bytes: Uint8Array }[] = [];
  return {
    write(bytes) {
      // A copy: packers use their memory again.
      parts.push(bytes.slice());
      length += bytes.length;
    },
    patch(offset, bytes) {
      patches.push({ offset, bytes });
    },
    bytes() {
      const all = new Uint8Array(length);
      let at = 0;
      for (const part of parts) {
        all.set(part, at);
        at += part.length;
      }
      for (const { offset, bytes } of patches) all.set(bytes, offset);
      return all;
    },
  };
}
