import { describe, expect, it } from 'vitest';
import { UndoSteps } from './undoSteps';

const change = (field: string, value: number | object | null) => ({
  id: 'a',
  change: { path: ['invest', field], value: value as never },
});

describe('what can be taken back', () => {
  it('is the last first, and nothing once all is', () => {
    const steps = new UndoSteps();
    expect([steps.add(change('ratio', 0.4)), steps.add(change('powderId', null))]).toEqual([1, 2]);
    expect(steps.take()[0]?.change.path[1]).toBe('powderId');
    expect(steps.take()[0]?.change.path[1]).toBe('ratio');
    expect([steps.take(), steps.count]).toEqual([[], 0]);
  });

  it('of typing in one field is one step: what stood there before it', () => {
    const steps = new UndoSteps();
    for (const value of [null, 0.3, 0.38]) steps.add(change('ratio', value));
    expect(steps.count).toBe(1);
    steps.add(change('powderId', 1));
    expect(steps.add(change('ratio', 0.38))).toBe(3);
    expect([steps.take(), steps.take(), steps.take()].map(([field]) => field?.change.value)).toEqual([
      0.38,
      1,
      null,
    ]);
  });

  it('of whole things is a step each', () => {
    const steps = new UndoSteps();
    steps.add(change('boric', { school: 'none' }));
    expect(steps.add(change('boric', { school: 'powder' }))).toBe(2);
  });

  it('keeps the fields of two pours apart', () => {
    const steps = new UndoSteps();
    steps.add(change('ratio', 0.4));
    expect(steps.add({ ...change('ratio', 0.4), id: 'b' })).toBe(2);
  });

  it('of fields that were set together is one step, the last set first; of none it is no step', () => {
    const steps = new UndoSteps();
    expect(steps.addAll([])).toBe(0);
    expect(steps.addAll([change('ratio', 0.4), { ...change('powderId', 1), id: 'b' }])).toBe(1);
    expect(steps.take().map(({ id }) => id)).toEqual(['b', 'a']);
  });
});
