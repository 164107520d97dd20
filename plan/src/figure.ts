import { formatQuantity, formatValue, type StageKey, type Unit, type UnitChoice } from '@zero-pour/core';

/** An input of a working: its value, where it comes from, and where it can be changed. */
export interface Given {
  symbol: string;
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

interface FigureSpec {
  name: string;
  value: number;
  unit: Unit;
  digits?: number;
  note?: string;
}

/** Tagged template for formulas: formula`${density} × (${patterns} + ${button})`. */
export function formula(texts: TemplateStringsArray, ...givens: readonly Given[]): (string | Given)[] {
  return texts.flatMap((text, i) => {
    const given = givens[i];
    return given ? [text, given] : [text];
  });
}

/** A figure from its formula; it counts as guessed when any input is. */
export function figure(spec: FigureSpec, parts: readonly (string | Given)[]): Figure {
  return { ...spec, formula: parts, guessed: givensOf(parts).some((g) => g.guessed ?? false) };
}

/** A figure used as an input of another. */
export function fromFigure(symbol: string, of: Figure, stage?: StageKey): Given {
  return {
    symbol,
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

/** The formula with its values put in, in the reader's units. */
export const formulaInValues = (of: Figure, choice: UnitChoice): string =>
  of.formula.map((part) => (typeof part === 'string' ? part : formatValue(part, choice))).join('');

/** The figure as it stands on the ticket. */
export const showFigure = (of: Figure, choice: UnitChoice): string => formatQuantity(of, choice);
