import { formatHours, formatQuantity, type FitChange, type UnitChoice } from '@zero-pour/core';

/** "Carbon burns: hold 4 h → 5 h 10". */
export function changeWords({ segment, what, from, to }: FitChange, choice: UnitChoice): string {
  const degrees = (value: number | null): string =>
    value === null ? 'casting temperature' : formatQuantity({ value, unit: 'degC' }, choice);
  const perH = (value: number | null): string =>
    value === null ? 'the kiln’s own' : formatQuantity({ value, unit: 'degCPerH' }, choice);
  const hours = (value: number | null): string => formatHours(value ?? 0);
  switch (what) {
    case 'added':
      return `${segment}: put in, held ${hours(to)}`;
    case 'hold':
      return `${segment}: hold ${hours(from)} → ${hours(to)}`;
    case 'ramp':
      return `${segment}: climb ${perH(from)} → ${perH(to)}`;
    case 'target':
      return `${segment}: to ${degrees(from)} → ${degrees(to)}`;
  }
}
