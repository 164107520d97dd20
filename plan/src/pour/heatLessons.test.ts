import { emptyPourDoc, tellCast, type Casting, type HeatFlask, type PourDoc } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { learnHeat, tellHeats } from './heatLessons';

const ID = '5f0c2d1e-8c1b-4b7d-9f51-0c7a3a1d9b01';
const RANGES = { flask: { lowC: 480, highC: 540 }, metal: { lowC: 960, highC: 1010 } };
const fine: Casting = { outcome: 'sellable', flaws: [], photos: [] };
const flawed = (kind: Casting['flaws'][number]['kind']): Casting => ({
  outcome: 'scrap',
  flaws: [{ kind, place: '' }],
  photos: [],
});
function told(change: (doc: PourDoc) => void): HeatFlask[] {
  const doc = emptyPourDoc();
  doc.flasks[0]!.pour = {
    way: 'vacuum',
    flaskRead: { state: 'measured', value: 500 },
    metalRead: { state: 'guessed', value: 980 },
  };
  doc.result.castings = { 'l1/1': fine, 'l1/2': flawed('misrun'), 'l1/3': flawed('gas pores') };
  change(doc);
  const cast = tellCast({ id: ID, number: 4, doc });
  return cast ? tellHeats(cast) : [];
}

describe('what a flask tells of temperatures', () => {
  it('counts what did not fill and what had too much heat; pores are of the metal alone', () => {
    expect(told(() => {})).toEqual([
      {
        number: 4,
        way: 'vacuum',
        flask: { tempC: 500, guessed: false, castings: 3, cool: 1, hot: 0 },
        metal: { tempC: 980, guessed: true, castings: 3, cool: 1, hot: 1 },
      },
    ]);
  });
  it('takes off what was set on for the way', () => {
    const [one] = told((doc) => void (doc.flasks[0]!.pour.flaskOffsetC = 20));
    expect(one!.flask!.tempC).toBe(480);
    expect(one!.metal!.tempC).toBe(980);
  });
  it('leaves a casting out whose flaw was put down to something else, or of which this was ruled out', () => {
    const leak = told((doc) => void (doc.result.why = { misrun: { confirmed: 'leak', ruledOut: [] } }));
    expect(leak[0]!.flask).toMatchObject({ castings: 2, cool: 0 });
    const cool = told((doc) => void (doc.result.why = { misrun: { confirmed: 'flask cool', ruledOut: [] } }));
    expect(cool[0]!.flask).toMatchObject({ castings: 3, cool: 1 });
    expect(cool[0]!.metal).toMatchObject({ castings: 2, cool: 0 });
    const not = told(
      (doc) => void (doc.result.why = { misrun: { ruledOut: ['flask cool', 'margin', 'leak'] } }),
    );
    expect(not[0]!.flask).toMatchObject({ castings: 2, cool: 0 });
  });
  it('says nothing where nothing was read, felt only, or looked at', () => {
    expect(told((doc) => void (doc.flasks[0]!.pour = {}))).toEqual([]);
    expect(told((doc) => void (doc.flasks[0]!.pour = { flaskRead: { state: 'felt', felt: 'cold' } }))).toEqual([]); // prettier-ignore
    expect(told((doc) => void (doc.result.castings = {}))).toEqual([]);
  });
  it('counts the pieces of each flask by themselves', () => {
    const heats = told((doc) => {
      doc.flasks.push({ ...structuredClone(doc.flasks[0]!), key: 'f2', pieces: ['l1/2'] });
      doc.flasks[1]!.pour = { flaskRead: { state: 'measured', value: 440 } };
    });
    expect(heats.map(({ flask }) => [flask!.tempC, flask!.castings, flask!.cool])).toEqual([
      [500, 2, 0],
      [440, 1, 1],
    ]);
  });
});

describe('a shop’s window of a temperature', () => {
  const heat = (tempC: number, cool = 0, hot = 0, guessed = false) => ({ tempC, guessed, castings: 8, cool, hot }); // prettier-ignore
  const one = (flask: HeatFlask['flask'], metal: HeatFlask['metal'] = null, way: HeatFlask['way'] = 'vacuum') => ({ number: 1, way, flask, metal }); // prettier-ignore

  it('is the book’s where nothing is told', () => {
    const lesson = learnHeat('flask', [], RANGES, 'vacuum');
    expect(lesson.trials).toEqual([]);
    expect(lesson.window.bestC).toBe(510);
  });
  it('leaves out what was poured another way, and what the other temperature may have done', () => {
    const list = [
      one(heat(500, 5)),
      one(heat(500, 5), null, 'gravity'),
      one(heat(500, 5), heat(900, 5)),
      one(heat(505, 2), null, null),
      one(null, heat(980)),
    ];
    const lesson = learnHeat('flask', list, RANGES, 'vacuum');
    expect(lesson).toMatchObject({ otherWay: 1, otherOff: 1, wayNotSaid: 1, castings: 16 });
    expect(lesson.trials.map(({ weight }) => weight)).toEqual([1, 0.25]);
    expect(lesson.window.bestC).toBeGreaterThan(510);
    expect(learnHeat('metal', list, RANGES, 'vacuum').castings).toBe(16);
  });
  it('takes every way where the shop has not said how it pours', () => {
    expect(
      learnHeat('flask', [one(heat(500)), one(heat(500), null, 'gravity')], RANGES, undefined),
    ).toMatchObject({
      otherWay: 0,
      castings: 16,
    });
  });
});
