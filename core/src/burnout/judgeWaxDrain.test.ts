import { describe, expect, it } from 'vitest';
import { BOOK_PROGRAMMES, judgeWaxDrain, type Segment } from './index';

const held = (
  targetC: number | null,
  holdH: number,
  flaskWay: Segment['flaskWay'] = 'button down',
): Segment => ({
  ...{ name: 'x', rampCPerH: 100, targetC, holdH },
  ...{ flaskWay, hands: [], note: '' },
});
const said = (...segments: Segment[]): string =>
  judgeWaxDrain(segments)
    .map(({ weight }) => weight)
    .join();

describe('wax in a flask', () => {
  it('runs out in a hold with the button down, and not in a straight climb, a hotter hold or a turned flask', () => {
    expect(said(held(150, 1), held(730, 4))).toBe('ok');
    expect(said(held(120, 0.5), held(170, 0.5), held(730, 4))).toBe('ok');
    expect(said(held(730, 4))).toBe('watch');
    expect(said(held(250, 3), held(730, 4))).toBe('watch');
    expect(said(held(150, 0.5))).toBe('watch');
    expect(said(held(150, 2, 'button up'))).toBe('watch');
    expect(said(held(null, 3))).toBe('watch');
    const turned = (afterH: number) =>
      said({ ...held(150, 2), hands: [{ afterH, what: 'Turn the flask, button up' }] });
    expect([turned(2), turned(0.5)]).toEqual(['ok', 'watch']);
  });
  it('drains in every programme of the book but those that go into a hot kiln', () => {
    for (const { name, segments } of BOOK_PROGRAMMES)
      expect([name, said(...segments)]).toEqual([name, name.startsWith('Fast') ? 'watch' : 'ok']);
  });
});
