import type { QuickMetal, QuickSum } from './sums';
import { tokensOf, type Measured, type Token } from './tokens';

/** What a typed line may name. */
export interface KnownNames {
  metals: readonly QuickMetal[];
  resins: readonly { name: string; densityGPerMl: number }[];
}

/**
 * A line that is clear, with each of its parts as it was understood; one that could mean several things, as lines to choose
 * from; or one that is not clear, with what could not be placed.
 */
export type ReadSum =
  | { status: 'read'; sum: QuickSum; echo: string[] }
  | { status: 'ask'; question: string; lines: string[] }
  | { status: 'unclear'; why: string };

/** Ends the reading of a line with what stands in its way. */
export class Stopped extends Error {
  constructor(readonly answer: Exclude<ReadSum, { status: 'read' }>) {
    super(answer.status);
  }
}
export const stop = (why: string): never => {
  throw new Stopped({ status: 'unclear', why });
};

/** Words that join parts and say nothing by themselves. */
export const IDLE = new Set('a an the of in for from to into and with at on is my print printed model tree piece pieces part casting cast metal alloy weighs weight total start starts flask flasks ring size sizes finger powder water ratio boric acid wax waxes resin layer layers each motion exposure height tall high what please = + - →'.split(' ')); // prettier-ignore

/** A line in its pieces; whoever takes one has placed it. */
export class Line {
  readonly tokens: Token[];
  private readonly placed = new Set<Token>();

  constructor(
    readonly text: string,
    readonly names: KnownNames,
  ) {
    this.tokens = tokensOf(text);
    const bad = this.tokens.find((token) => token.type === 'bad');
    if (bad?.type === 'bad') stop(bad.why);
  }

  /** Words, with karats as names write them. */
  get words(): string[] {
    return this.tokens.flatMap((t) => (t.type === 'word' ? [t.word] : t.type === 'karat' ? [`${t.value}ct`] : t.type === 'number' ? [String(t.value)] : [])); // prettier-ignore
  }
  says(...words: string[]): boolean {
    return this.tokens.some((t) => t.type === 'word' && words.includes(t.word));
  }
  all<K extends Token['type']>(type: K): Extract<Token, { type: K }>[] {
    return this.tokens.filter(
      (t): t is Extract<Token, { type: K }> => t.type === type && !this.placed.has(t),
    );
  }
  measures(unit: Measured): number[] {
    return this.all('measure').filter((t) => t.unit === unit).map((t) => this.place(t).value); // prettier-ignore
  }
  place<T extends Token>(token: T): T {
    this.placed.add(token);
    return token;
  }
  placeWords(words: readonly string[]): void {
    for (const t of this.tokens) {
      const word = t.type === 'word' ? t.word : t.type === 'karat' ? `${t.value}ct` : t.type === 'number' ? String(t.value) : ''; // prettier-ignore
      if (words.includes(word)) this.placed.add(t);
    }
  }
  /** The one measure of a unit; several are a question of their own. */
  one(unit: Measured, what: string): number | undefined {
    const found = this.measures(unit);
    if (found.length > 1) stop(`Two numbers for ${what}: which?`);
    return found[0];
  }
  /** Nothing may be left that was not placed. */
  finish(sum: QuickSum, echo: string[]): ReadSum {
    const left = this.tokens.filter(
      (t) => !this.placed.has(t) && !((t.type === 'word' && IDLE.has(t.word)) || t.type === 'sign'),
    );
    if (left.length > 0)
      stop(`What is “${left.map((t) => t.text).join(' ')}”? The rest is ${echo.join(' · ')}.`);
    return { status: 'read', sum, echo };
  }
}
