import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';

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

const LF = 10;
const CR = 13;

/**
 * Bytes of a text file as plain ASCII: a byte order mark is dropped, two-byte text (UTF-16) is narrowed, what ASCII does not
 * have becomes "?". Other bytes come back as they are.
 */
export function plainBytes(bytes: Uint8Array): Uint8Array {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return bytes.subarray(3);
  const little = bytes[0] === 0xff && bytes[1] === 0xfe;
  if (!little && !(bytes[0] === 0xfe && bytes[1] === 0xff)) return bytes;
  const out = new Uint8Array(Math.floor(bytes.length / 2) - 1);
  const [low, high] = little ? [0, 1] : [1, 0];
  for (let i = 0; i < out.length; i++) out[i] = bytes[2 * i + 2 + high] === 0 ? bytes[2 * i + 2 + low]! : 63;
  return out;
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
      if (this.endsLine(at)) this.line++;
      at++;
    }
    const from = at;
    while (at < bytes.length && bytes[at]! > 32) at++;
    this.at = at;
    if (at - from > MESH_LIMITS.wordBytes) throw this.tooLong(from);
    return textOf(bytes, from, at);
  }

  private tooLong(from: number): MeshFileError {
    return new MeshFileError('MESH_TEXT_BROKEN', {
      line: this.line,
      word: textOf(this.bytes, from, from + 30),
    });
  }

  /** A line ends with LF, with CR LF, or with CR alone. */
  private endsLine(at: number): boolean {
    return this.bytes[at] === LF || (this.bytes[at] === CR && this.bytes[at + 1] !== LF);
  }

  /**
   * Words up to the end of the current line; the cursor moves to the next line. Where `before` finds a place in the line's first
   * kilobytes, only up to there: some programs write everything in one line.
   */
  restOfLine(before?: (head: string) => number): string {
    const { bytes } = this;
    if (before) {
      const head = textOf(bytes, this.at, Math.min(bytes.length, this.at + CHUNK)).split(/[\r\n]/, 1)[0]!;
      const met = before(head);
      if (met >= 0) {
        const from = this.at;
        this.at += met;
        return textOf(bytes, from, this.at);
      }
    }
    let end = this.at;
    while (end < bytes.length && !this.endsLine(end)) end++;
    if (end - this.at > MESH_LIMITS.lineBytes) throw this.tooLong(this.at);
    const text = textOf(bytes, this.at, end);
    this.at = Math.min(end + 1, bytes.length);
    if (end < bytes.length) this.line++;
    return text;
  }

  get atEnd(): boolean {
    return this.at >= this.bytes.length;
  }
}
