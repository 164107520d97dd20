import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  afterLook,
  CLEAN_SCHOOLS,
  cleanRun,
  CURE_VESSELS,
  cureIn,
  GLASS_PASSES_NM,
  handsOnMinutes,
  judgeStepTime,
  LOOKS,
  looksAt,
  protocolHours,
  ROUNDS_MOST,
  USUAL_PROTOCOL,
  vesselBlocks,
  worthCasting,
  type Look,
  type PieceEvidence,
} from './index';

const keys = (records: Record<string, { saw?: Look }> = {}, protocol = USUAL_PROTOCOL): string[] =>
  cleanRun(protocol, records).map((step) => step.key);
const at = (key: string): number => USUAL_PROTOCOL.findIndex((step) => step.key === key);

describe('schools of cleaning', () => {
  it.each(CLEAN_SCHOOLS.map((school) => [school.name, school] as const))(
    '%s: can be stepped through',
    (_, { steps }) => {
      expect(new Set(steps.map((step) => step.key)).size).toBe(steps.length);
      for (const { minMinutes, maxMinutes } of steps) expect(maxMinutes).toBeGreaterThanOrEqual(minMinutes);
      const order = (kind: string): number => steps.findIndex((step) => step.kind === kind);
      // It is washed before the supports go, dry before it is cured, and looked at after each.
      expect(order('wash')).toBeLessThan(order('supports'));
      expect(order('dry')).toBeLessThan(order('cure'));
      expect(steps.filter((step) => step.kind === 'look')).toHaveLength(3);
      expect(steps.findLastIndex((step) => step.kind === 'look')).toBeGreaterThan(order('cure'));
    },
  );

  it('keep alcohol away from resins that it attacks, and warm the second bath where resins set', () => {
    const school = (key: string) => CLEAN_SCHOOLS.find((s) => s.key === key)!.steps;
    expect(school('no alcohol').some((step) => step.medium === 'alcohol')).toBe(false);
    expect(school('warm bath').find((step) => step.key === 'bath2')!.tempC).toBeGreaterThan(30);
  });

  it('wet a part first and wash the medium off where it is cured under a liquid', () => {
    expect(cureIn('air').map((step) => step.key)).toEqual(['cure']);
    expect(cureIn('water').map((step) => step.key)).toEqual(['wet', 'cure', 'dry']);
    expect(cureIn('glycerin', [4, 6]).map((step) => step.key)).toEqual(['wet', 'cure', 'off', 'dry']);
    expect(cureIn('glycerin', [4, 6])[1]).toMatchObject({ minMinutes: 4, maxMinutes: 6, medium: 'glycerin' });
  });

  it('keep hands busy while washing, looking and cutting, not while it drips, rests or cures', () => {
    const of = (kind: string) => USUAL_PROTOCOL.filter((step) => step.kind === kind);
    expect(handsOnMinutes([...of('drip'), ...of('rest'), ...of('cure')])).toBe(0);
    expect(handsOnMinutes([...of('wash'), ...of('supports')], 12)).toBeCloseTo(3 + 2 + 12, 9);
  });

  it('take their least time, each step as often as it is done', () => {
    const [a, b] = [USUAL_PROTOCOL[0]!, USUAL_PROTOCOL[1]!];
    expect(protocolHours([a, { ...b, times: 2 }])).toBeCloseTo((a.minMinutes + 2 * b.minMinutes) / 60, 12);
    expect(judgeStepTime(b, b.minMinutes - 0.6)).toBe('short');
  });
});

describe('a run of cleaning', () => {
  it('is the protocol while all looks as it should', () => {
    expect(keys()).toEqual(USUAL_PROTOCOL.map((step) => step.key));
    expect(keys({ look: { saw: 'fine' }, look2: { saw: 'fine' } })).toEqual(keys());
  });

  it('goes back to the last bath from a shiny skin, and looks again', () => {
    const run = keys({ look: { saw: 'shiny' } });
    expect(run.slice(4, 9)).toEqual(['look', 'bath2~2', 'air~2', 'look~2', 'supports']);
    expect(run.filter((key) => key.startsWith('supports'))).toHaveLength(1);
    const twice = keys({ look: { saw: 'shiny' }, 'look~2': { saw: 'tacky' } });
    expect(twice.slice(7, 12)).toEqual(['look~2', 'bath2~3', 'air~3', 'look~3', 'supports']);
  });

  it('loops back to the bath when it is wet where supports stood, without cutting again', () => {
    const run = cleanRun(USUAL_PROTOCOL, { look2: { saw: 'wet at supports' } });
    const from = run.findIndex((step) => step.key === 'look2');
    expect(run.slice(from + 1, from + 5).map((step) => step.key)).toEqual([
      'bath2~2',
      'air~2',
      'look2~2',
      'rest',
    ]);
    expect(run[from + 1]!.because).toMatch(/back to the bath/);
  });

  it('washes a tacky cured print before giving more light, but cures spots again at once', () => {
    const tacky = keys({ look3: { saw: 'tacky' } });
    expect(tacky.slice(tacky.indexOf('look3') + 1)).toEqual([
      'bath2~2',
      'air~2',
      'rest~2',
      'cure~2',
      'look3~2',
      'mend',
    ]);
    const spots = keys({ look3: { saw: 'spots' } });
    expect(spots.slice(spots.indexOf('look3') + 1)).toEqual(['cure~2', 'look3~2', 'mend']);
    expect(keys({ look3: { saw: 'dark' } })).toEqual(keys());
  });

  it('counts repeats of a step on, and ends in the end', () => {
    const doubled = USUAL_PROTOCOL.map((step) => (step.key === 'bath1' ? { ...step, times: 2 } : step));
    expect(keys({}, doubled).slice(0, 4)).toEqual(['drip', 'bath1', 'bath1~2', 'bath2']);
    const always = Object.fromEntries(
      Array.from({ length: 20 }, (_, i) => [i === 0 ? 'look' : `look~${i + 1}`, { saw: 'tacky' as const }]),
    );
    expect(keys(always).filter((key) => key.startsWith('look~'))).toHaveLength(ROUNDS_MOST - 1);
  });

  it('is the same whenever it is computed, whatever was recorded, and never loses a step of the protocol', () => {
    const key = fc.tuple(fc.constantFrom('look', 'look2', 'look3'), fc.integer({ min: 1, max: 7 }));
    const records = fc.array(fc.tuple(key, fc.constantFrom(...LOOKS)), { maxLength: 12 });
    fc.assert(
      fc.property(records, (list) => {
        const kept = Object.fromEntries(
          list.map(([[name, n], saw]) => [n === 1 ? name : `${name}~${n}`, { saw }]),
        );
        const run = cleanRun(USUAL_PROTOCOL, kept);
        expect(cleanRun(USUAL_PROTOCOL, kept)).toEqual(run);
        expect(new Set(run.map((step) => step.key)).size).toBe(run.length);
        const firsts = run.filter((step) => step.round === 1).map((step) => step.key);
        expect(firsts).toEqual(USUAL_PROTOCOL.map((step) => step.key));
        // What comes again was sent back by a look, and says by which.
        for (const step of run) expect(step.round > 1).toBe(step.because !== '');
      }),
      { numRuns: 200, seed: 6 },
    );
  });

  it('offers at each look what can be seen there', () => {
    expect(looksAt(USUAL_PROTOCOL, at('look'))).toEqual(['fine', 'shiny', 'tacky']);
    expect(looksAt(USUAL_PROTOCOL, at('look2'))).toContain('wet at supports');
    expect(looksAt(USUAL_PROTOCOL, at('look3'))).toEqual(['fine', 'shiny', 'tacky', 'spots', 'dark']);
  });

  it('has nowhere to go back to in a protocol without baths', () => {
    const dry = USUAL_PROTOCOL.filter((step) => step.kind !== 'wash');
    expect(
      afterLook(
        dry,
        dry.findIndex((s) => s.key === 'look'),
        'tacky',
      ).backTo,
    ).toBeNull();
  });
});

describe('light through a vessel', () => {
  it('is held back by glass where it is short, and by nothing else', () => {
    expect([365, GLASS_PASSES_NM - 1, GLASS_PASSES_NM, 405].map((nm) => vesselBlocks('glass', nm))).toEqual([true, true, false, false]); // prettier-ignore
    for (const vessel of CURE_VESSELS.filter((v) => v !== 'glass'))
      expect(vesselBlocks(vessel, 365)).toBe(false);
    expect(vesselBlocks('glass', null)).toBe(false);
  });
});

describe('worth casting?', () => {
  const piece = (change: Partial<PieceEvidence> = {}): PieceEvidence => ({
    outcome: 'good',
    skipped: [],
    short: [],
    long: [],
    skin: '',
    staleDays: 0,
    ...change,
  });
  const said = (change: Partial<PieceEvidence>): [string, string] => {
    const { verdict, expect: expectation } = worthCasting(piece(change));
    return [verdict, expectation];
  };

  it('casts what is clean and whole', () => {
    expect(worthCasting(piece())).toEqual({
      verdict: 'cast',
      expect: 'likely good',
      reasons: [],
      toPattern: false,
    });
  });
  it('casts as a test what was not cleaned as it should, and says why', () => {
    expect(said({ skipped: ['Cure'] })).toEqual(['test', 'doubtful']);
    expect(said({ long: ['Cure'] })).toEqual(['test', 'doubtful']);
    expect(said({ staleDays: 3 })).toEqual(['test', 'doubtful']);
    expect(said({ skin: 'tacky' })).toEqual(['test', 'poor']);
    expect(worthCasting(piece({ short: ['Alcohol bath 2'], staleDays: 1 })).reasons).toEqual([
      'Too short: Alcohol bath 2.',
      'It lay 1 day past its time.',
    ]);
  });
  it('mends in wax what can be mended, prints again what cannot', () => {
    expect(said({ outcome: 'flawed', faults: ['pinholes'] })).toEqual(['mend', 'doubtful']);
    expect(said({ outcome: 'flawed', faults: ['pulled oval'] })).toEqual(['reprint', 'poor']);
    // One that cannot be mended is enough.
    expect(said({ outcome: 'flawed', faults: ['pinholes', 'pulled oval'] })).toEqual(['reprint', 'poor']);
    expect(said({ outcome: 'flawed', faults: ['pinholes', 'ridge'] })).toEqual(['mend', 'doubtful']);
    expect(said({ outcome: 'flawed' })).toEqual(['reprint', 'poor']);
    expect(said({ outcome: 'lost' })).toEqual(['reprint', 'poor']);
  });
  it('sends a fault of the model back to the pattern', () => {
    expect(worthCasting(piece({ outcome: 'flawed', faults: ['detail missing'] })).toPattern).toBe(true);
    expect(worthCasting(piece({ outcome: 'lost', faults: ['same feature broke'] })).toPattern).toBe(true);
    expect(worthCasting(piece({ outcome: 'lost', faults: ['fell from plate'] })).toPattern).toBe(false);
  });
});
