import {
  formatQuantity,
  formatValue,
  joinFormula,
  METRIC,
  type Formula,
  type StageKey,
  type Unit,
  type UnitChoice,
} from '@zero-pour/core';

/** An input of a working: its value, where it comes from, and where it can be changed. */
export interface Input {
  name: string;
  value: number;
  unit: Unit;
  digits?: number;
  /** "book", "your alloy Sterling", "pattern file", "typed here". */
  source: string;
  stage?: StageKey;
  guessed?: boolean;
  /** The working of the input itself, when it was computed. */
  figure?: Figure;
}

/** … by the symbol that stands for it. */
export interface Given extends Input {
  symbol: string;
}

/** A computed number that can be opened to its working. */
export interface Figure {
  name: string;
  value: number;
  unit: Unit;
  digits?: number;
  formula: readonly (string | Given)[];
  /** Rests on a guess or on an estimate somewhere below. */
  guessed: boolean;
  note?: string;
}

type FigureSpec = Pick<Figure, 'name' | 'unit' | 'digits' | 'note'>;

/** A rule with its inputs: what it comes to and what is shown of it are one. It counts as guessed when any input is. */
export function figure<S extends string>(
  spec: FigureSpec,
  rule: Formula<S>,
  inputs: Readonly<Record<S, Input>>,
): Figure {
  const values = Object.fromEntries(rule.symbols.map((symbol) => [symbol, inputs[symbol].value]));
  return {
    ...spec,
    value: rule.of(values as Record<S, number>),
    formula: rule.parts((symbol): Given => ({ ...inputs[symbol], symbol })),
    guessed: rule.symbols.some((symbol) => inputs[symbol].guessed ?? false),
  };
}

/** A figure whose formula has as many terms as there are: of texts and inputs in a row. */
export function figureOf(spec: FigureSpec, parts: readonly (string | Given)[]): Figure {
  return figure(spec, joinFormula(parts), Object.fromEntries(givensOf(parts).map((g) => [g.symbol, g])));
}

/** A number that stands as it is: typed, or read. */
export const stated = (spec: FigureSpec, given: Given): Figure => figureOf(spec, [given]);

/** a + b + c; of none, 0. */
export const sumOf = (spec: FigureSpec, terms: readonly Given[]): Figure =>
  figureOf(spec, terms.length === 0 ? ['0'] : terms.flatMap((term, i) => (i === 0 ? [term] : [' + ', term])));

/** A figure used as an input of another. */
export function fromFigure(of: Figure, stage?: StageKey): Input {
  return {
    name: of.name,
    value: of.value,
    unit: of.unit,
    ...(of.digits === undefined ? {} : { digits: of.digits }),
    source: 'worked out',
    ...(stage ? { stage } : {}),
    guessed: of.guessed,
    figure: of,
  };
}

/** Each input once, in the order of the formula. */
export function givensOf(parts: readonly (string | Given)[]): Given[] {
  const bySymbol = new Map<string, Given>();
  for (const part of parts) if (typeof part !== 'string') bySymbol.set(part.symbol, part);
  return [...bySymbol.values()];
}

/** The formula in symbols: "ρ × (Vp + Vb)". */
export const formulaInSymbols = (of: Figure): string =>
  of.formula.map((part) => (typeof part === 'string' ? part : part.symbol)).join('');

/** The formula with its values put in, and what it comes to: in the units that it is written for. */
export const formulaInValues = (of: Figure): string =>
  of.formula.map((part) => (typeof part === 'string' ? part : formatValue(part, METRIC))).join('');
export const formulaComesTo = (of: Figure): string => formatQuantity(of, METRIC);

/** The figure as it stands on the ticket. */
export const showFigure = (of: Figure, choice: UnitChoice): string => formatQuantity(of, choice);
