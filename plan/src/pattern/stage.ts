import { pieceMeasure } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { QUIET, type Stage } from '../stage';

export const pattern: Stage<'pattern'> = {
  ...QUIET,
  key: 'pattern',
  isDone: ({ parts }) => parts.length > 0,
  line: ({ context: { parts } }, choice) => {
    if (parts.length === 0) return '';
    const cm3 =
      parts.reduce((sum, part) => sum + pieceMeasure(part.pattern).volumeMm3 * part.count, 0) / 1000;
    const closed = parts.every((part) => part.pattern.measure.closed);
    return `${closed ? 'closed' : 'open mesh'}, ${formatQuantity({ value: cm3, unit: 'cm3', digits: 2 }, choice)}`;
  },
};
