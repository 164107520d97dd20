import { valueAt, type PourDoc, type PourPath } from '@zero-pour/contracts';
import { planEarliest, valueOf, type PourPlan, type Shop } from '@zero-pour/plan';

/** A field that a step fills in for whoever looks on. */
export interface Filled {
  path: PourPath;
  value: unknown;
}

/** What a step knows: the pour that is planned, the shop, and the pours that were planned before it. */
export interface GuideSight {
  plan: PourPlan;
  shop: Shop;
  /** Documents of other pours in work, the newest first. */
  others: readonly PourDoc[];
  now: number;
}

export interface GuideStep {
  title: string;
  /** Where it is looked at: below the pour's own address, or a page of its own. */
  at: `/${string}` | 'board' | 'told' | 'record';
  say: string;
  isDone?(sight: GuideSight): boolean;
  /** What it fills in; empty where the shop lacks what it needs. */
  fill?(sight: GuideSight): Filled[];
  /** … and where that is added. */
  lacking?: { what: string; at: string };
}

/** What another pour chose last, if it is still there, else the first that there is. */
function pick(
  { others }: GuideSight,
  list: readonly { id: string }[],
  chosenBy: (doc: PourDoc) => string | undefined,
): string | undefined {
  const before = others.map(chosenBy).find((id) => list.some((one) => one.id === id));
  return before ?? list[0]?.id;
}
/** All of them, or nothing where one is lacking: half a choice leaves a stage as open as none. */
const filled = (...fields: [PourPath, unknown][]): Filled[] =>
  fields.some(([, value]) => value === undefined) ? [] : fields.map(([path, value]) => ({ path, value }));

/** What a step would fill in of what is still open: nothing that somebody chose is written over. */
export const fillsOf = (step: GuideStep, sight: GuideSight): Filled[] =>
  (step.fill?.(sight) ?? []).filter(({ path }) => {
    const stands = valueAt(sight.plan.context.doc, path);
    return stands === null || (Array.isArray(stands) && stands.length === 0);
  });

/** A pour from its brief to the board, and one that is over; each step can be passed over. */
export const GUIDE_STEPS: readonly GuideStep[] = [
  {
    title: 'What is wanted',
    at: '/brief',
    say: 'A pour begins with what is to come out of it: a pattern, how many castings, and the metal.',
    isDone: ({ plan: { context } }) => context.parts.length > 0 && context.alloy !== undefined,
    fill: (sight) => {
      const patternId = pick(sight, sight.shop.patterns, (doc) => doc.brief.lines[0]?.patternId);
      const alloyId = pick(sight, sight.shop.lists.alloy, (doc) => doc.brief.alloyId);
      const lines = patternId && [{ key: 'l1', patternId, count: 4 }];
      return filled([['brief', 'lines'], lines], [['brief', 'alloyId'], alloyId]);
    },
    lacking: { what: 'a pattern and a metal', at: '/patterns' },
  },
  {
    title: 'What it is like',
    at: '/pattern',
    say: 'Its file was read: walls, tips, gaps, hollows. What would go wrong is named with its place on the part and a way out. Nothing blocks: you decide.',
  },
  {
    title: 'Resin, printer, seconds',
    at: '/resin',
    say: 'Which resin prints it, on which printer, with which seconds. Where those come from is said beside them.',
    isDone: ({ plan }) => plan.states.resin === 'done',
    fill: (sight) => {
      const { resinId } = sight.plan.context.doc.resin;
      const fitting = sight.shop.lists.profile.filter((one) => !resinId || one.resinId === resinId);
      const profileId = pick(sight, fitting, (doc) => doc.resin.profileId);
      const profile = fitting.find(({ id }) => id === profileId);
      return filled(
        [['resin', 'resinId'], profile?.resinId],
        [['resin', 'printerId'], profile?.printerId],
        [['resin', 'profileId'], profileId],
      );
    },
    lacking: { what: 'a resin with a printer and a profile', at: '/resins' },
  },
  {
    title: 'How much larger it prints',
    at: '/scale',
    say: 'Resin, mold and metal shrink, so it prints larger. Press an underlined number: it opens the formula, what went into it, and where each came from.',
  },
  {
    title: 'The flask',
    at: '/sprue',
    say: 'Which flask, and how the pieces hang in it. The metal to weigh follows; the ticket at the right fills as you go.',
    isDone: ({ plan }) => plan.flasks.every(({ context }) => context.flask !== undefined),
    fill: (sight) =>
      filled([
        ['flasks', sight.plan.flasks[0]!.context.decided.key, 'sprue', 'flaskId'],
        pick(sight, sight.shop.lists.flask, (doc) => doc.flasks[0]?.sprue.flaskId),
      ]),
    lacking: { what: 'a flask', at: '/shop/flask' },
  },
  {
    title: 'Powder and water',
    at: '/invest',
    say: 'Grams and millilitres for the bowl, and how long you may work with it. At the bench, B shows one step at a time, large.',
    isDone: ({ plan }) => plan.context.powder !== undefined,
    fill: (sight) =>
      filled([['invest', 'powderId'], pick(sight, sight.shop.lists.powder, (doc) => doc.invest.powderId)]),
    lacking: { what: 'a powder', at: '/shop/powder' },
  },
  {
    title: 'The kiln’s hours',
    at: '/burnout',
    say: 'A programme and a kiln. The core of the flask is reckoned under it; until that is known nothing good is said of it.',
    isDone: ({ plan }) => valueOf(plan.burnout) !== undefined,
    fill: (sight) =>
      filled(
        [['burnout', 'kilnId'], pick(sight, sight.shop.lists.kiln, (doc) => doc.burnout.kilnId)],
        [
          ['burnout', 'programmeId'],
          pick(sight, sight.shop.lists.programme, (doc) => doc.burnout.programmeId),
        ],
      ),
    lacking: { what: 'a kiln and a programme', at: '/shop/kiln' },
  },
  {
    title: 'Zero',
    at: '/brief',
    say: 'Now say when it is poured. The earliest that keeps your bench hours can be taken.',
    isDone: ({ plan }) => plan.context.doc.brief.zeroAt !== undefined,
    fill: ({ plan, now }) => {
      const burnout = valueOf(plan.burnout);
      const zero = burnout ? planEarliest(plan, burnout, now) : null;
      return filled([['brief', 'zeroAt'], zero === null ? undefined : new Date(zero).toISOString()]);
    },
    lacking: { what: 'a kiln and a programme: without them nothing is counted back', at: '/shop/kiln' },
  },
  {
    title: 'Counted back',
    at: 'board',
    say: 'There it stands beside the others: every block counted back from its zero, and at the right what hands must do next.',
  },
  {
    title: 'One that is over',
    at: 'told',
    say: 'What came out is told per casting, with its flaws. Why ranks the causes by what this pour’s own record says, and the next pour tries one change.',
  },
  {
    title: 'What it teaches',
    at: 'record',
    say: 'Every pour stays here. Yields, scale, hours and causes are counted from it, and say from how many.',
  },
];
