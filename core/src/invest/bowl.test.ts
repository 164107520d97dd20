import { describe, expect, it } from 'vitest';
import { InputError, seededRandom } from '../numeric';
import { bowlTurns, judgeBowl, RISE, shareBowls, type BowlGear, type ToFill } from './bowl';

const flasks = (...ml: number[]): ToFill[] => ml.map((slurryMl, n) => ({ name: `F${n + 1}`, slurryMl }));
const shared = (ml: number[], workingMin: number, gear: BowlGear, least?: number): string[] =>
  shareBowls(flasks(...ml), workingMin, gear, least).map((bowl) => bowl.map(({ name }) => name).join('+'));
const said = (ml: number[], workingMin: number, waterKnown: boolean, gear: BowlGear): string[] =>
  judgeBowl(flasks(...ml), workingMin, waterKnown, gear).map(({ rule, weight }) => `${rule} ${weight}`);

describe('the order of flasks at one bowl', () => {
  it('pours one while the one before it is under vacuum', () => {
    expect(bowlTurns(['A', 'B'])).toEqual([
      { name: 'A', pourFromMin: 4.5, pouredMin: 5.5, vacuumFromMin: 5.5, vacuumToMin: 7 },
      { name: 'B', pourFromMin: 5.5, pouredMin: 6.5, vacuumFromMin: 7, vacuumToMin: 8.5 },
    ]);
  });
  it('puts as many under the vacuum together as there is room for', () => {
    expect(bowlTurns(['A', 'B', 'C'], 2).map(({ vacuumFromMin }) => vacuumFromMin)).toEqual([6.5, 6.5, 8]);
    expect(() => bowlTurns(['A'], 0)).toThrow(InputError);
  });
  it('never pours two at once, never overlaps two vacuums, and puts none under it before it is poured', () => {
    for (const room of [1, 2, 3]) {
      const turns = bowlTurns(['A', 'B', 'C', 'D', 'E'], room);
      turns.forEach((turn, n) => {
        const before = turns[n - 1];
        expect(turn.vacuumFromMin).toBeGreaterThanOrEqual(turn.pouredMin);
        if (!before) return;
        expect(turn.pourFromMin).toBeGreaterThanOrEqual(before.pouredMin);
        const together = turn.vacuumFromMin === before.vacuumFromMin;
        expect(together || turn.vacuumFromMin >= before.vacuumToMin).toBe(true);
      });
    }
  });
});

describe('flasks shared out over bowls', () => {
  it('go into one where it holds them and there is time', () => {
    expect(shared([400, 400], 9.5, { bowlMl: 1600 })).toEqual(['F1+F2']);
    expect(shared([400, 400], 9.5, {})).toEqual(['F1+F2']);
  });
  it('are split where the bowl would run over, and where the working time ends first', () => {
    expect(shared([400, 400], 9.5, { bowlMl: 1599 })).toEqual(['F1', 'F2']);
    expect(shared([400, 400, 400, 400], 9.5, {})).toEqual(['F1+F2+F3', 'F4']);
    expect(shared([400, 400, 400, 400], 9.5, { flasksAtOnce: 2 })).toEqual(['F1+F2+F3+F4']);
    expect(shared([400, 400], 6, {})).toEqual(['F1', 'F2']);
  });
  it('are split finer where the person wants it, and not finer than there are flasks', () => {
    expect(shared([1, 1, 1, 1], 30, {}, 2)).toEqual(['F1+F2', 'F3+F4']);
    expect(shared([1, 1, 1], 30, {}, 9)).toEqual(['F1', 'F2', 'F3']);
  });
  it('leave none out, keep their order, and hold what they are given but for a flask that is too large by itself', () => {
    const random = seededRandom(7).uniform;
    for (let n = 0; n < 60; n += 1) {
      const ml = Array.from({ length: 1 + Math.floor(random() * 7) }, () => 50 + random() * 900);
      const gear = { bowlMl: 400 + random() * 2400, flasksAtOnce: 1 + Math.floor(random() * 3) };
      const bowls = shareBowls(flasks(...ml), 5 + random() * 10, gear, 1 + Math.floor(random() * 3));
      expect(bowls.flat()).toEqual(flasks(...ml));
      for (const bowl of bowls) {
        const held = bowl.reduce((sum, { slurryMl }) => sum + slurryMl, 0);
        expect(bowl.length === 1 || held * RISE <= gear.bowlMl + 1e-6).toBe(true);
      }
    }
  });
});

describe('one bowl', () => {
  it('runs over where its slurry rises above it, and is not spoken of where nobody knows it', () => {
    expect(said([500], 9.5, true, { bowlMl: 900 })).toEqual(['bowl fix']);
    expect(said([500], 9.5, true, { bowlMl: 1000 })).toEqual(['bowl ok']);
    expect(said([500], 9.5, true, {})).toEqual([]);
  });
  it('is judged by its last flask against the working time: over before, in the midst, not begun', () => {
    expect(said([1, 1], 9.5, true, {})).toEqual(['bowl order ok']);
    expect(said([1, 1], 8, true, {})).toEqual(['bowl order watch']);
    expect(said([1, 1], 7, true, {})).toEqual(['bowl order fix']);
  });
  it('says nothing good by water that was not read', () => {
    expect(said([1, 1], 9.5, false, {})).toEqual(['bowl order watch']);
  });
});
