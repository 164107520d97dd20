import type { CleanMedium, CleanStep } from './steps';

/** A way of cleaning that shops hold to, with its steps; a resin's own record starts from one and goes its own way. */
export interface CleanSchool {
  key: string;
  name: string;
  /** When it is taken. */
  why: string;
  steps: readonly CleanStep[];
}

type Minutes = readonly [least: number, most: number];
const UNTIL_DONE: Minutes = [0, 0];
const step = (
  key: string,
  kind: CleanStep['kind'],
  name: string,
  [minMinutes, maxMinutes]: Minutes,
  rest: Partial<CleanStep> = {},
): CleanStep => ({
  key,
  kind,
  name,
  minMinutes,
  maxMinutes,
  medium: null,
  tempC: null,
  motion: null,
  times: 1,
  note: '',
  ...rest,
});

const DRIP = step('drip', 'drip', 'Let it drip', [5, 10], { note: 'Plate tilted over the vat.' });
const LOOK = step('look', 'look', 'Look at the skin', UNTIL_DONE, {
  note: 'Dark resins by raking light, or lightly dusted.',
});
const AIR = step('air', 'dry', 'Blow dry, cool air', [2, 10], { medium: 'air' });
const SUPPORTS = step('supports', 'supports', 'Take the supports off', UNTIL_DONE, {
  note: 'Small bites, leave a stub; the knife where cutters do not reach.',
});
const LOOK_WHERE = step('look2', 'look', 'Look where the supports stood', UNTIL_DONE, {
  note: 'Wet there: back to the bath.',
});
const REST = step('rest', 'rest', 'Rest until no alcohol smell', [30, 120], { medium: 'air' });
const LOOK_CURED = step('look3', 'look', 'Look at the cured skin', UNTIL_DONE, {
  note: 'If it differs from the record, wash again before giving more light.',
});
const FINISH = step('mend', 'finish', 'Fill pits, sand marks, dust off', UNTIL_DONE, {
  note: 'What sticks to the pattern comes out in the metal.',
});

const baths = (second: Partial<CleanStep> = {}): CleanStep[] => [
  step('bath1', 'wash', 'Alcohol bath 1', [3, 4], { medium: 'alcohol', motion: 'moved by hand', note: 'Dirty bath first.' }), // prettier-ignore
  step('bath2', 'wash', 'Alcohol bath 2', [2, 3], {
    medium: 'alcohol',
    motion: 'moved by hand',
    note: 'Clean bath. More than 10 min in all softens many resins.',
    ...second,
  }),
];

/** Curing in a medium, with what it asks before and after (handbook 04, "Clean"). */
export function cureIn(medium: CleanMedium, minutes: Minutes = [10, 20]): CleanStep[] {
  const cure = step('cure', 'cure', medium === 'air' ? 'Cure' : `Cure under ${medium}`, minutes, {
    medium,
    motion: 'turned now and then',
    note: medium === 'air' ? '' : 'Weigh down what floats. Short UV does not pass glass.',
  });
  if (medium === 'air') return [cure];
  const wet = step('wet', 'rinse', `Wet it with ${medium}`, UNTIL_DONE, {
    medium,
    note: 'So that no bubble clings.',
  });
  const off: CleanStep[] =
    medium === 'water'
      ? []
      : [step('off', 'rinse', `Rinse the ${medium} off`, [1, 3], { medium: 'water', note: 'Warm water.' })];
  return [wet, cure, ...off, step('dry', 'dry', 'Dry', [5, 30], { medium: 'air' })];
}

const WATER_RINSE = [
  step('warm', 'rinse', 'Warm water rinse', [1, 2], { medium: 'water', tempC: 35 }),
  step('cool', 'rinse', 'Cool water rinse', [1, 2], { medium: 'water' }),
];
const after = (cure: readonly CleanStep[]): CleanStep[] => [
  LOOK,
  SUPPORTS,
  LOOK_WHERE,
  REST,
  ...cure,
  LOOK_CURED,
  FINISH,
];

/** The main schools (handbook 04, "Clean"). */
export const CLEAN_SCHOOLS: readonly CleanSchool[] = [
  {
    key: 'two baths',
    name: 'Two alcohol baths, cured in air',
    why: 'The usual way.',
    steps: [DRIP, ...baths(), AIR, ...after(cureIn('air'))],
  },
  {
    key: 'warm bath',
    name: 'Second bath warm, water rinse',
    why: 'For resins that set when cold.',
    steps: [DRIP, ...baths({ name: 'Alcohol bath 2, warm', tempC: 35, note: 'Warm in a water bath, never over a flame or a hot plate.' }), ...WATER_RINSE, AIR, ...after(cureIn('air'))], // prettier-ignore
  },
  {
    key: 'under water',
    name: 'Two alcohol baths, cured under water',
    why: 'Where the skin stays tacky in air.',
    steps: [DRIP, ...baths(), AIR, ...after(cureIn('water'))],
  },
  {
    key: 'under glycerin',
    name: 'Two alcohol baths, cured under glycerin',
    why: 'Where the skin stays tacky in air and water marks it.',
    steps: [DRIP, ...baths(), AIR, ...after(cureIn('glycerin'))],
  },
  {
    key: 'no alcohol',
    name: 'Cleaning fluid, water rinse',
    why: 'For resins that alcohol attacks.',
    steps: [
      DRIP,
      step('bath1', 'wash', 'Cleaning fluid 1', [3, 5], { medium: 'cleaning fluid', motion: 'moved by hand', note: 'Dirty bath first.' }), // prettier-ignore
      step('bath2', 'wash', 'Cleaning fluid 2', [2, 3], { medium: 'cleaning fluid', motion: 'moved by hand' }), // prettier-ignore
      ...WATER_RINSE,
      AIR,
      LOOK,
      SUPPORTS,
      LOOK_WHERE,
      { ...REST, name: 'Rest until dry' },
      ...cureIn('air'),
      LOOK_CURED,
      FINISH,
    ],
  },
];

/** The usual two-bath protocol; a resin's own record replaces it. */
export const USUAL_PROTOCOL: readonly CleanStep[] = CLEAN_SCHOOLS[0]!.steps;
