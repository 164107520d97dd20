/** Works a formula out for the values of its symbols, in the order in which they stand in it. */
export type Evaluate = (values: readonly number[]) => number;

/** A number, an operator or a word of the text; or the place of a symbol. */
type Token = string | { place: number };

const TOKEN = /\s+|\d+(?:\.\d+)?|round up|round|the larger of|and|[+−×/()²³∛π]/uy;
const FUNCTIONS: Record<string, (of: number) => number> = {
  '': (of) => of,
  round: Math.round,
  'round up': Math.ceil,
  '∛': Math.cbrt,
};
const POWERS: Record<string, number> = { '²': 2, '³': 3 };

function tokensOf(text: string): string[] {
  const out: string[] = [];
  for (TOKEN.lastIndex = 0; TOKEN.lastIndex < text.length;) {
    const at = TOKEN.lastIndex;
    const token = TOKEN.exec(text)?.[0];
    if (token === undefined) throw new Error(`Formula: “${text.slice(at)}” is not understood`);
    if (token.trim() !== '') out.push(token);
  }
  return out;
}

/** Reads the tokens from left to right, by precedence: the larger of, sums, products, powers. */
class Reader {
  #at = 0;
  constructor(readonly tokens: readonly Token[]) {}

  whole(): Evaluate {
    const read = this.#takes('the larger of') ? this.#larger() : this.#sum();
    if (this.#at < this.tokens.length) throw new Error(`Formula: ${this.#place()} is left over`);
    return read;
  }

  #place = (): string => `token ${this.#at + 1} of ${this.tokens.length}`;

  #takes(token: string): boolean {
    if (this.tokens[this.#at] !== token) return false;
    this.#at++;
    return true;
  }

  #expect(token: string): void {
    if (!this.#takes(token)) throw new Error(`Formula: “${token}” is missing before ${this.#place()}`);
  }

  #larger(): Evaluate {
    const one = this.#sum();
    this.#expect('and');
    const other = this.#sum();
    return (values) => Math.max(one(values), other(values));
  }

  #sum(): Evaluate {
    let sum = this.#product();
    for (;;) {
      const sign = this.#takes('+') ? 1 : this.#takes('−') ? -1 : 0;
      if (sign === 0) return sum;
      const [before, next] = [sum, this.#product()];
      sum = (values) => before(values) + sign * next(values);
    }
  }

  #product(): Evaluate {
    let product = this.#power();
    for (;;) {
      const [before, divides] = [product, this.#takes('/')];
      // Brackets side by side are multiplied.
      if (!divides && !this.#takes('×') && this.tokens[this.#at] !== '(') return product;
      const next = this.#power();
      product = divides
        ? (values) => before(values) / next(values)
        : (values) => before(values) * next(values);
    }
  }

  #power(): Evaluate {
    const base = this.#atom();
    const power = POWERS[String(this.tokens[this.#at])];
    if (power === undefined) return base;
    this.#at++;
    return (values) => base(values) ** power;
  }

  #atom(): Evaluate {
    const token = this.tokens[this.#at];
    if (token === undefined) throw new Error('Formula: it ends too soon');
    if (typeof token === 'object') {
      this.#at++;
      return (values) => values[token.place]!;
    }
    const value = token === 'π' ? Math.PI : Number(token);
    if (!Number.isNaN(value)) {
      this.#at++;
      return () => value;
    }
    const named = FUNCTIONS[token === '(' ? '' : token];
    if (!named) throw new Error(`Formula: a number is missing before ${this.#place()}`);
    if (token !== '(') this.#at++;
    this.#expect('(');
    const inner = this.#sum();
    this.#expect(')');
    return (values) => named(inner(values));
  }
}

/**
 * Reads a formula whose symbols stand between its texts: sums, differences, products, quotients, ², ³, ∛( ), round( ),
 * round up( ), π, and "the larger of … and …" round the whole. Throws an Error where that is not understood: a formula is
 * part of the program.
 */
export function parseFormula(texts: readonly string[]): Evaluate {
  const tokens = texts.flatMap((text, i): Token[] => [
    ...(i === 0 ? [] : [{ place: i - 1 }]),
    ...tokensOf(text),
  ]);
  return new Reader(tokens).whole();
}
