import { formatValue, METRIC, requireNumber, type Quantity } from '../numeric';
import { parseFormula, type Evaluate } from './parseFormula';

/**
 * A rule as it is written and read at the bench. What is shown of it and what it comes to are one thing: its text is what
 * is worked out.
 */
export class Formula<S extends string = string> {
  readonly #evaluate: Evaluate;

  /** @throws Error when the texts between the symbols are no formula */
  constructor(
    /** One more than symbols. */
    readonly texts: readonly string[],
    readonly symbols: readonly S[],
  ) {
    this.#evaluate = parseFormula(texts);
  }

  /** What it comes to. @throws InputError when an input is no number, or when it comes to none */
  of(inputs: Readonly<Record<S, number>>): number {
    const values = this.symbols.map((symbol) => requireNumber(symbol, inputs[symbol]));
    return requireNumber('what it comes to', this.#evaluate(values));
  }

  /** Text, symbol, text and so on, with each symbol as it is to be shown; empty texts are left out. */
  parts<T>(show: (symbol: S) => T): (string | T)[] {
    return this.texts.flatMap((text, i): (string | T)[] => {
      const symbol = this.symbols[i];
      return [...(text === '' ? [] : [text]), ...(symbol === undefined ? [] : [show(symbol)])];
    });
  }
}

/** Tagged template: formula`${'ρ'} × (${'P'} + ${'S'})`. Its symbols are known to the compiler. */
export const formula = <const S extends readonly string[]>(
  texts: TemplateStringsArray,
  ...symbols: S
): Formula<S[number]> => new Formula(texts, symbols);

/** Of formulas whose length is only known when they are worked out, the last ones: planning asks for the same again. */
const KEPT = 200;
const joinedBefore = new Map<string, Formula>();

/** A formula of texts and symbols ({ symbol }) in a row, for as many terms as there are. */
export function joinFormula(parts: readonly (string | { symbol: string })[]): Formula {
  const texts = [''];
  const symbols: string[] = [];
  for (const part of parts) {
    if (typeof part === 'string') texts[texts.length - 1] += part;
    else {
      symbols.push(part.symbol);
      texts.push('');
    }
  }
  const key = JSON.stringify([texts, symbols]);
  const before = joinedBefore.get(key);
  if (before) return before;
  if (joinedBefore.size >= KEPT) joinedBefore.clear();
  const joined = new Formula(texts, symbols);
  joinedBefore.set(key, joined);
  return joined;
}

/** a + b + c. */
export const sumFormula = (symbols: readonly string[]): Formula =>
  joinFormula(symbols.flatMap((symbol, i) => (i === 0 ? [{ symbol }] : [' + ', { symbol }])));

/**
 * The formula with its numbers, in the units that it is written for: π/4 × 3² × 4 / 1000 would be no millilitres, however
 * the reader likes lengths.
 */
export const inNumbers = <S extends string>(of: Formula<S>, inputs: Readonly<Record<S, Quantity>>): string =>
  of.parts((symbol) => formatValue(inputs[symbol], METRIC)).join('');
