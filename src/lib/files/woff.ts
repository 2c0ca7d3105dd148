import { unzlibSync } from 'fflate';

/**
 * The plain font inside a WOFF 1 file, as PDF makers want it.
 * @source W3C, WOFF File Format 1.0, sections 3 to 5
 * @throws Error when it is no such file
 */
export function plainFont(woff: Uint8Array): Uint8Array {
  const from = new DataView(woff.buffer, woff.byteOffset, woff.byteLength);
  if (from.byteLength < 44 || from.getUint32(0) !== 0x774f4646) throw new Error('This is no WOFF font.');
  const tables = from.getUint16(12);
  const entries = Array.from({ length: tables }, (_, i) => {
    const at = 44 + 20 * i;
    return {
      tag: from.getUint32(at),
      offset: from.getUint32(at + 4),
      packed: from.getUint32(at + 8),
      length: from.getUint32(at + 12),
      sum: from.getUint32(at + 16)
    };
  });
  const padded = (n: number) => (n + 3) & ~3;
  const head = 12 + 16 * tables;
  const out = new Uint8Array(head + entries.reduce((n, e) => n + padded(e.length), 0));
  const to = new DataView(out.buffer);
  to.setUint32(0, from.getUint32(4));
  to.setUint16(4, tables);
  const power = Math.floor(Math.log2(tables));
  to.setUint16(6, 16 * 2 ** power);
  to.setUint16(8, power);
  to.setUint16(10, 16 * tables - 16 * 2 ** power);
  let at = head;
  entries.forEach((e, i) => {
    const bytes = woff.subarray(e.offset, e.offset + e.packed);
    out.set(e.packed < e.length ? unzlibSync(bytes) : bytes, at);
    [e.tag, e.sum, at, e.length].forEach((x, k) => to.setUint32(12 + 16 * i + 4 * k, x));
    at += padded(e.length);
  });
  return out;
}
