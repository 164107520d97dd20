import { formatQuantity, type Quantity } from './formatQuantity';
import type { UnitChoice } from './units';

/** A sentence whose numbers keep their units, so that it can follow the reader's unit switch. */
export type Phrase = readonly (string | Quantity)[];

/** Tagged template: say`Top clearance ${mm(14)}; 15 wanted.` */
export function say(texts: TemplateStringsArray, ...parts: readonly (string | number | Quantity)[]): Phrase {
  return texts.flatMap((text, i) => {
    const part = parts[i];
    const shown = typeof part === 'number' ? String(part) : part;
    return shown === undefined ? [text] : [text, shown];
  });
}

/** The sentence in the reader's units. */
export function formatPhrase(phrase: Phrase, choice: UnitChoice): string {
  return phrase.map((part) => (typeof part === 'string' ? part : formatQuantity(part, choice))).join('');
}

/** A quantity for use in `say`. */
export function quantity(value: number, unit: Quantity['unit'], digits?: number): Quantity {
  return digits === undefined ? { value, unit } : { value, unit, digits };
}
