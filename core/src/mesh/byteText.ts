/** Plain-text access to file bytes without a decoder: mesh files are ASCII where it matters. */

const CHUNK = 8192;

/** Bytes [from, to) as Latin-1 text. */
export function textOf(bytes: Uint8Array, from = 0, to = bytes.length): string {
  let text = '';
  for (let at = from; at < to; at += CHUNK) {
    text += String.fromCharCode(...bytes.subarray(at, Math.min(at + CHUNK, to)));
  }
  return text;
}

/** Walks whitespace-separated words of a text file, counting lines for error messages. */
export class WordScanner {
  line = 1;
  private at = 0;
  constructor(private readonly bytes: Uint8Array) {}

  /** Share of the file behind the cursor, for progress. */
  get share(): number {
    return this.bytes.length === 0 ? 1 : this.at / this.bytes.length;
  }

  /** The next word, or '' at the end. */
  next(): string {
    const { bytes } = this;
    let at = this.at;
    while (at < bytes.length && bytes[at]! <= 32) {
      if (bytes[at] === 10) this.line++;
      at++;
    }
    const from = at;
    while (at < bytes.length && bytes[at]! > 32) at++;
    this.at = at;
    return textOf(bytes, from, at);
  }

  /** Words up to the end of the current line; the cursor moves to the next line. */
  restOfLine(): string {
    const { bytes } = this;
    let end = this.at;
    while (end < bytes.length && bytes[end] !== 10) end++;
    const text = textOf(bytes, this.at, end);
    this.at = Math.min(end + 1, bytes.length);
    if (end < bytes.length) this.line++;
    return text;
  }

  get atEnd(): boolean {
    return this.at >= this.bytes.length;
  }
}
