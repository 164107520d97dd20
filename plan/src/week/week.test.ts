import { applyChanges, POUR_VERSION, type Pour, type PourDoc } from '@zero-pour/contracts';
import {
  formatPhrase,
  HOUR_MS,
  METRIC,
  MINUTE_MS,
  smallestClash,
  solveWeek,
  type WeekGoal,
} from '@zero-pour/core';
import { createDemoShop } from '@zero-pour/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { boardRows, nextHandsOn } from '../board';
import type { Shop } from '../context';
import { calendarEvents } from '../times/calendarEvents';
import { clashWords } from './clashWords';
import { planLapsed } from './planLapsed';
import {
  allWishes,
  keptWishes,
  planWeeks,
  proposalProblem,
  readAnswer,
  takingOf,
  type Proposed,
} from './weekPlan';

/** A Tuesday afternoon: pour 29 is in the kiln, 30 prints, 31 is only thought of. */
const NOW = new Date(2026, 10, 24, 16, 54).getTime();
const words = (at: number): string => new Date(at).toISOString().slice(5, 16);
let shop: Shop;
let open: Pour[];
beforeAll(async () => {
  const { file } = await createDemoShop(new Date(NOW));
  open = file.pours.filter((pour) => pour.doc.result.doneAt === undefined);
  shop = { settings: file.settings, lists: file.lists, patterns: file.patterns };
});

const changed = (number: number, change: (doc: PourDoc) => void): Pour[] =>
  structuredClone(open).map((pour) => {
    if (pour.number === number) change(pour.doc);
    return pour;
  });
const weeks = (pours: Pour[] = open, goal: WeekGoal = 'wanted', of: Shop = shop, now = NOW) =>
  planWeeks(boardRows(pours, of), [], of, goal, now);
function proposed(planning: ReturnType<typeof weeks>): Proposed[] {
  // A quick look: how good it is is core's own matter.
  const answer = solveWeek(proposalProblem(planning), { orders: 0, proof: 60 });
  if (answer.status !== 'planned') throw new Error(answer.status);
  return readAnswer(planning, answer);
}
/** Pours as they are once a plan was taken. */
const taken = (pours: Pour[], plan: readonly Proposed[]): Pour[] =>
  pours.map((pour) => {
    const one = plan.find(({ subject }) => subject.job.key === pour.id);
    const taking = one && takingOf(one, shop.settings);
    if (!taking) return pour;
    const set = (path: string[], value: unknown) => ({ path, value: value as never, version: POUR_VERSION });
    const changes = [
      set(['brief', 'zeroAt'], taking.zeroAt),
      set(['burnout', 'kilnId'], taking.kilnId),
      set(['plannedWeek'], taking.plannedWeek),
      ...(taking.segments ? [set(['burnout', 'segments'], taking.segments)] : []),
    ];
    return { ...pour, doc: applyChanges(pour.doc, changes) as PourDoc };
  });

describe('what is planned', () => {
  it('is each stage’s work with its waits, hands and machines; what runs is where it is', () => {
    const { problem, subjects, leftOut } = weeks();
    expect(leftOut).toEqual([]);
    expect(problem.slotMin).toBe(5);
    const tasks = (of: string) => subjects.find((one) => one.of === of)!.job.ways[0]!.tasks.map(({ key }) => key.replace(/^.*› /, '')); // prettier-ignore
    expect(tasks('Pour 31')).toEqual(['warm', 'print', 'clean', 'sprue', 'invest', 'set', 'kiln in', 'Turn the flask, button up', 'melt', 'zero', 'quench']); // prettier-ignore
    expect(tasks('Pour 30').slice(0, 2)).toEqual(['print', 'clean']);
    expect(tasks('Pour 29')[0]).toBe('in the kiln');
    const of = (name: string) => subjects.find((one) => one.of === name)!.job;
    // What may wait is no part of the chain.
    expect(of('Pour 31').after!.map(({ task }) => task.key)).toEqual(['divest', 'finish']);
    // A kiln that runs is no choice any more.
    expect([of('Pour 29').ways.length, of('Pour 31').ways.length]).toEqual([1, 2]);
    // Who prints does not pour.
    const print = of('Pour 31').ways[0]!.tasks.find(({ key }) => key === 'print')!;
    const melt = of('Pour 31').ways[0]!.tasks.find(({ key }) => key === 'melt')!;
    expect([print.who, melt.who]).toEqual([['print'], ['cast']]);
    expect(print.machines).toHaveLength(1);
  });
  it('knows days off: of the whole bench for everybody, of one person for that one', () => {
    const day = { from: '2026-11-25', to: '2026-11-25', open: false, note: '' };
    const spansOf = (who?: string) => {
      const benchExceptions = [{ key: 'a', ...day, ...(who ? { who } : {}) }];
      const { people } = weeks(open, 'wanted', {
        ...shop,
        settings: { ...shop.settings, benchExceptions },
      }).problem;
      return people.map(({ spans }) => spans.filter(({ from }) => new Date(from).getDate() === 25).length);
    };
    expect([spansOf(), spansOf('print')]).toEqual([
      [0, 0],
      [0, 1],
    ]);
  });
  it('leaves out what lacks something, and says what', () => {
    const { leftOut, subjects } = weeks(changed(31, (doc) => delete doc.burnout.kilnId));
    expect(leftOut.map(({ of, why }) => `${of}: ${why}`)).toEqual(['Pour 31: needs a kiln']);
    expect(subjects.map(({ of }) => of)).toEqual(['Pour 29', 'Pour 30']);
  });
  it('plans a pour that has no time yet', () => {
    const plan = proposed(
      weeks(
        changed(31, (doc) => delete doc.brief.zeroAt),
        'earliest',
      ),
    );
    const own = plan.find(({ subject }) => subject.of === 'Pour 31')!;
    expect(own.movedMs).toBeUndefined();
    expect(own.zero).toBeGreaterThan(NOW);
  });
  it('of 200 pours is the soonest sixty, and the others are named', () => {
    const many = Array.from({ length: 200 }, (_, n): Pour => ({ ...open.find(({ number }) => number === 31)!, id: `p${n}`, number: 100 + n })); // prettier-ignore
    const { subjects, leftOut, problem } = weeks(many);
    expect([subjects.length, leftOut.length, problem.slotMin]).toEqual([60, 140, 15]);
    expect(leftOut[0]!.why).toContain('soonest');
  });
});

describe('a plan that is taken', () => {
  it.each(['wanted', 'earliest', 'kiln'] as const)('stands on the board as it was proposed (%s)', (goal) => {
    const plan = proposed(weeks(open, goal));
    const rows = boardRows(taken(open, plan), shop);
    for (const one of plan) {
      const row = rows.find(({ pour }) => pour.id === one.subject.job.key)!;
      const { times } = row;
      expect(Math.abs(times!.zero - one.zero)).toBeLessThan(MINUTE_MS);
      expect(row.plan.context.kiln?.id).toBe(one.kiln!.kiln.id);
      if (one.kilnIn !== undefined) expect(Math.abs(times!.kilnIn - one.kilnIn)).toBeLessThan(6 * MINUTE_MS);
      for (const key of ['print', 'clean', 'sprue', 'invest'] as const) {
        const step = one.steps.find((task) => task.key === key);
        const block = times!.blocks.find(({ work, state }) => work === key && state === 'planned');
        if (step && block) expect(Math.abs(block.from - step.from)).toBeLessThan(MINUTE_MS);
      }
      if (!times!.kilnStarted) expect(times!.conflicts).toEqual([]);
    }
  });
  it('gives each step to somebody, in the list of what is next and in that person’s calendar', () => {
    const rows = boardRows(taken(open, proposed(weeks())), shop);
    const next = nextHandsOn(rows);
    const of31 = next.filter(({ of }) => of === 'Pour 31');
    expect(of31.find(({ stage }) => stage === 'print')!.who).toBe('print');
    expect(of31.find(({ stage, step }) => stage === 'pour' && step === 'zero')!.who).toBe('cast');
    const titles = (person: string) => calendarEvents(rows, [], METRIC, { person }).map(({ title }) => title);
    expect(titles('print')).toContain('Pour 31: Start the print');
    expect(titles('cast')).not.toContain('Pour 31: Start the print');
    expect(titles('cast')).toContain('Pour 31: Zero: pour');
    // What nobody was given is everybody's.
    expect(titles('print')).toContain('Pour 30: Print is done');
  });
  it('is none any more once its pour is moved', () => {
    const pours = taken(open, proposed(weeks()));
    const moved = pours.map((pour) => (pour.number === 31 ? { ...pour, doc: { ...pour.doc, brief: { ...pour.doc.brief, zeroAt: new Date(NOW + 80 * HOUR_MS).toISOString() } } } : pour)); // prettier-ignore
    const row = boardRows(moved, shop).find(({ pour }) => pour.number === 31)!;
    expect(formatPhrase(planLapsed(row, NOW, words)!, METRIC)).toBe(
      'Its pour was moved after it was planned.',
    );
    expect(nextHandsOn([row]).every(({ who }) => who === undefined)).toBe(true);
  });
  it('leaves a pinned pour where it is', () => {
    const pinned = changed(31, (doc) => (doc.brief.zeroPinned = true));
    const own = proposed(weeks(pinned, 'earliest')).find(({ subject }) => subject.of === 'Pour 31')!;
    expect([own.movedMs, own.kilnChanged]).toEqual([0, false]);
  });
});

describe('a plan that does not hold', () => {
  const rowOf = (pours: Pour[], number: number) =>
    boardRows(pours, shop).find(({ pour }) => pour.number === number)!;
  it('is told when the print that runs is two hours late, and what is still possible is found from there', () => {
    const pours = taken(open, proposed(weeks(open, 'earliest')));
    expect(planLapsed(rowOf(pours, 30), NOW, words)).toBeUndefined();
    const step = pours.find(({ number }) => number === 30)!.doc.plannedWeek!.steps['clean']!;
    const late = pours.map((pour) => (pour.number === 30 ? { ...pour, doc: { ...pour.doc, print: { ...pour.doc.print, startedAt: new Date(Date.parse(step.at)).toISOString() } } } : pour)); // prettier-ignore
    expect(formatPhrase(planLapsed(rowOf(late, 30), NOW, words)!, METRIC)).toContain('The print is off');
    const anew = proposed(weeks(late, 'earliest')).find(({ subject }) => subject.of === 'Pour 30')!;
    const off = anew.steps.find(({ key }) => key === 'print')!.to;
    expect(anew.steps.find(({ key }) => key === 'clean')!.from).toBeGreaterThanOrEqual(off);
    const before = proposed(weeks(open, 'earliest')).find(({ subject }) => subject.of === 'Pour 30')!;
    expect(anew.zero).toBeGreaterThan(before.zero);
  });
  it('is told when a step was not begun', () => {
    const pours = taken(open, proposed(weeks()));
    const begins = Date.parse(pours.find(({ number }) => number === 31)!.doc.plannedWeek!.steps['warm']!.at);
    expect(planLapsed(rowOf(pours, 31), begins + 10 * MINUTE_MS, words)).toBeUndefined();
    expect(formatPhrase(planLapsed(rowOf(pours, 31), begins + HOUR_MS, words)!, METRIC)).toContain(
      'was to begin',
    );
  });
});

describe('today’s times that do not go together', () => {
  /** Pour 31 wants the kiln while 30 is in it. */
  const clashing = () => changed(31, (doc) => (doc.brief.zeroAt = new Date(Date.parse(open.find(({ number }) => number === 30)!.doc.brief.zeroAt!) + 1.5 * HOUR_MS).toISOString())); // prettier-ignore
  it('are named, with every way out that was tried', () => {
    const later = clashing().map((pour) => (pour.number === 29 ? pour : { ...pour, doc: { ...pour.doc, brief: { ...pour.doc.brief, zeroAt: new Date(Date.parse(pour.doc.brief.zeroAt!) + 24 * HOUR_MS).toISOString() } } })); // prettier-ignore
    // Hands enough: only the kiln is asked for twice.
    const many = {
      ...shop,
      settings: { ...shop.settings, people: ['a', 'b', 'c'].map((key) => ({ key, name: key })) },
    };
    const planning = weeks(later, 'wanted', many);
    const answer = smallestClash(planning.problem, allWishes(planning));
    if (answer.status !== 'clash') throw new Error(answer.status);
    const said = clashWords(planning, answer, words);
    const wishes = said.wishes.map((wish) => formatPhrase(wish, METRIC));
    expect(wishes.filter((wish) => / at 11-/.test(wish))).toHaveLength(2);
    const ways = said.ways.map((way) => formatPhrase(way.words, METRIC));
    expect(ways.some((way) => /^Pour 3[01] at .* instead, .* (earlier|later)$/.test(way))).toBe(true);
    expect(ways.some((way) => /^Pour 3[01] in Kiln 2$/.test(way))).toBe(true);
    // Any one that is taken mends it.
    for (const way of said.ways.filter(({ partly, anyHour }) => !partly && anyHour.length === 0)) {
      const mended = weeks(taken(later, way.proposed), 'wanted', many);
      expect(smallestClash(mended.problem, allWishes(mended)).status).toBe('fits');
    }
  });
  it('may be hands at night: those that may fall at any hour are not asked for any more', () => {
    const night = changed(31, (doc) => (doc.brief.zeroAt = new Date(2026, 10, 27, 12).toISOString()));
    const row = boardRows(night, shop).find(({ pour }) => pour.number === 31)!;
    const before = row.times!.conflicts.map(({ what }) => what);
    expect(before.length).toBeGreaterThan(0);
    const name = handOf(row);
    const freed = night.map((pour) => (pour.number === 31 ? { ...pour, doc: { ...pour.doc, burnout: { ...pour.doc.burnout, anyHour: [name] } } } : pour)); // prettier-ignore
    const after = boardRows(freed, shop).find(({ pour }) => pour.number === 31)!.times!.conflicts;
    expect(after.map(({ what }) => what)).toEqual(
      before.filter((what) => what !== 'Turn the flask, button up'),
    );
    const [task] = weeks(freed).subjects.find(({ of }) => of === 'Pour 31')!.job.ways[0]!.tasks.filter(({ key }) => key === name); // prettier-ignore
    expect(task!.handsMin).toBe(0);
  });
  it('keep hours and freshness, and what is pinned, whatever is proposed', () => {
    const kept = keptWishes(weeks(changed(31, (doc) => (doc.brief.zeroPinned = true))));
    const of = (number: number) => kept.filter(({ job }) => job === open.find((pour) => pour.number === number)!.id).map(({ kind }) => kind); // prettier-ignore
    expect(of(30)).toEqual(['hours', 'fresh']);
    expect(of(31)).toEqual(['zero', 'kiln', 'hours', 'fresh']);
  });
});

function handOf(row: ReturnType<typeof boardRows>[number]): string {
  const burnout = row.plan.of('burnout');
  if (burnout.status !== 'known') throw new Error(burnout.status);
  return burnout.value.curve.segments.flatMap(({ hands }) => hands)[0]!.name;
}
