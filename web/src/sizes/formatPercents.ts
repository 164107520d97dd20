import { formatNumber, type AlongAxes } from '@zero-pour/core';

/** "101.23 %", or "X 101.20, Y 101.20, Z 101.41 %" where the axes differ. */
export const formatPercents = ([x, y, z]: AlongAxes): string =>
  x === y && y === z
    ? `${formatNumber(x, 2)} %`
    : `X ${formatNumber(x, 2)}, Y ${formatNumber(y, 2)}, Z ${formatNumber(z, 2)} %`;
