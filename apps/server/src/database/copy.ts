import type { BytesRow } from './database.ts';

/**
 * Rows of `original_bytes` (sha256, kind, part, bytes) in PostgreSQL's binary COPY format.
 *
 * Source: PostgreSQL documentation, COPY, "Binary Format".
 */
export function copyRows(rows: readonly BytesRow[]): Blob {
  const signature = Buffer.from('PGCOPY\n\xff\r\n\0', 'latin1');
  const pieces: Uint8Array<ArrayBuffer>[] = [Uint8Array.from(signature), new Uint8Array(8)];
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
  for (const row of rows) {
    pieces.push(int16(4));
    field(encoder.encode(row.sha256));
    field(encoder.encode(row.kind));
    field(int32(row.part));
    field(row.bytes);
  }
  pieces.push(int16(-1));
  return new Blob(pieces);
}
