import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';

/** Plain-text access to file bytes without a decoder: mesh files are ASCII where it matters. */

const CHUNK = 8192;

/** Up to so many bytes a loop is faster than a call with all of them. */
const SHORT = 24;

/** Bytes [from, to) as Latin-1 text. */
export function textOf(bytes: Uint8Array, from = 0, to = bytes.length): string {
  const end = Math.min(to, bytes.length);
  let text = '';
  if (end - from <= SHORT) {
    for (let at = from; at < end; at++) text += String.fromCharCode(bytes[at]!);
    return text;
  }
  for (let at = from; at < end; at += CHUNK)
    text += String.fromCharCode.apply(
      null,
      bytes.subarray(at, Math.min(at + CHUNK, end)) as unknown as number[],
    );
  return text;
}

const TENS = Array.from({ length: 23 }, (_, n) => 10 ** n);
/** Digits that a double holds for sure. */
const DIGITS_MOST = 15;

/**
 * The number that bytes [from, to) are as text: what `Number` says of them, without making a text of a plain decimal. Up to 15 digits
 * are a whole number below 2⁵³ over or times a power of ten that is exact, so one operation rounds once, as reading decimals should.
 */
export function numberOf(bytes: Uint8Array, from: number, to: number): number {
  let at = from;
  const isNegative = bytes[at] === 45;
  if (isNegative || bytes[at] === 43) at++;
  let [whole, digits, behind, point] = [0, 0, 0, false];
  for (; at < to; at++) {
    const byte = bytes[at]!;
    if (byte === 46 && !point) point = true;
    else if (byte >= 48 && byte <= 57) {
      whole = 10 * whole + byte - 48;
      if (++digits > DIGITS_MOST) return Number(textOf(bytes, from, to));
      if (point) behind++;
    } else return Number(textOf(bytes, from, to));
  }
  if (digits === 0) return Number(textOf(bytes, from, to));
  const value = behind === 0 ? whole : whole / TENS[behind]!;
  return isNegative ? -value : value;
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
      const end = Math.min(bytes.length, this.at + CHUNK);
      let stop = this.at;
      while (stop < end && bytes[stop] !== LF && bytes[stop] !== CR) stop++;
      const head = textOf(bytes, this.at, stop);
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
