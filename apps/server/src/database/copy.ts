import type { BytesRow } from './database.ts';

/** What PostgreSQL's binary COPY format begins with, before its flags and the length of what may follow them. */
const SIGNATURE = Buffer.from('PGCOPY\n\xff\r\n\0', 'latin1');

/**
 * A row of `original_bytes` (sha256, kind, part, bytes) in PostgreSQL's binary COPY format.
 *
 * Source: PostgreSQL documentation, COPY, "Binary Format".
 */
export function copyRow(row: BytesRow): Blob {
  const pieces: Uint8Array<ArrayBuffer>[] = [Uint8Array.from(SIGNATURE), new Uint8Array(8)];
  const int16 = (value: number) => {
    const bytes = new Uint8Array(2);
    new DataView(bytes.buffer).setInt16(0, value);
    return bytes;
  };
  const int32 = (value: number) => {
    const bytes = new Uint8Array(4);
    new DataView(bytes.buffer).setInt32(0, value);
    return bytes;
  };
  const field = (bytes: Uint8Array) => pieces.push(int32(bytes.length), bytes as Uint8Array<ArrayBuffer>);
  const encoder = new TextEncoder();
  pieces.push(int16(4));
  field(encoder.encode(row.sha256));
  field(encoder.encode(row.kind));
  field(int32(row.part));
  field(row.bytes);
  pieces.push(int16(-1));
  return new Blob(pieces);
}

/**
 * The only field of the only row of a binary COPY; undefined when there is no row.
 *
 * Source: as above.
 */
export function copiedField(copied: Uint8Array): Uint8Array | undefined {
  const view = new DataView(copied.buffer, copied.byteOffset, copied.byteLength);
  const row = SIGNATURE.length + 8 + view.getInt32(SIGNATURE.length + 4);
  if (view.getInt16(row) !== 1) return undefined;
  const start = row + 6;
  return copied.subarray(start, start + view.getInt32(row + 2));
}
