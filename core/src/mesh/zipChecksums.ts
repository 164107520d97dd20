import { strFromU8 } from 'fflate';

/** Checksums of the files in a zip, by name, as its directory states them (CRC-32). Empty where there is no directory. */
export function statedChecksums(bytes: Uint8Array): Map<string, number> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const out = new Map<string, number>();
  let end = bytes.length - 22;
  while (end >= 0 && view.getUint32(end, true) !== 0x06054b50) end--;
  if (end < 0) return out;
  let at = view.getUint32(end + 16, true);
  for (let n = view.getUint16(end + 10, true); n > 0 && at + 46 <= bytes.length; n--) {
    if (view.getUint32(at, true) !== 0x02014b50) break;
    const [name, extra, comment] = [28, 30, 32].map((k) => view.getUint16(at + k, true)) as [
      number,
      number,
      number,
    ];
    out.set(strFromU8(bytes.subarray(at + 46, at + 46 + name)), view.getUint32(at + 16, true));
    at += 46 + name + extra + comment;
  }
  return out;
}

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});

/** CRC-32 of bytes (ISO 3309), as zip uses it. */
export function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (let i = 0; i < bytes.length; i++) c = TABLE[(c ^ bytes[i]!) & 255]! ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}
