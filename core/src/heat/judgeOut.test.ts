import { describe, expect, it } from 'vitest';
import { formatPhrase, METRIC } from '../numeric';
import { judgeOut } from './index';

describe('a flask on its way to the metal', () => {
  const row = { patternsC: 470, coreC: 505 };
  it('is judged where the metal meets it, not by its core', () => {
    expect(judgeOut(row, { outMin: 6, lowC: 480 })).toMatchObject({
      weight: 'watch',
      lead: 'Cold at the patterns.',
    });
    expect(judgeOut(row, { outMin: 6, lowC: 470 })).toMatchObject({ weight: 'ok' });
  });
  it('tells both temperatures, the minutes and the limit', () => {
    expect(formatPhrase(judgeOut(row, { outMin: 6, lowC: 480 }).why, METRIC)).toBe(
      'After 6 min out of the kiln the patterns hang in plaster of 470 °C, the core is at 505 °C; this metal’s range begins at 480 °C. Be quicker, or cast from a hotter kiln.',
    );
  });
});
