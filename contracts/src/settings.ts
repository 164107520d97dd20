import {
  CLEAN_MEDIA,
  CURE_VESSELS,
  JOINT_STRENGTH_MPA,
  POUR_WAYS,
  TUNED_CLASSES,
  USUAL_MINUTES,
  WAX_DIP_MM,
  WEEK_GOALS,
  WORK_SKILLS,
  type BenchClock,
} from '@zero-pour/core';
import { z } from 'zod';
import { causeTableSchema } from './causeTable';
import { idSchema, keySchema, LIGHT_NM, momentSchema, nameSchema, newMetalSchema, PRICE } from './parts';
import { quantitySchema } from './quantities';

const minuteSchema = z.number().int().min(0).max(1440);
export const benchDaySchema = z.strictObject({
  open: z.boolean(),
  fromMin: minuteSchema,
  toMin: minuteSchema,
});

/** A day of the shop's calendar. */
const dateSchema = z.iso.date();
/** Days on which the bench is otherwise than its weekday; without minutes the whole day. */
export const benchExceptionSchema = z.strictObject({
  key: keySchema,
  from: dateSchema,
  to: dateSchema,
  open: z.boolean(),
  fromMin: minuteSchema.optional(),
  toMin: minuteSchema.optional(),
  /** Of one person, by key; absent: of the whole bench. */
  who: keySchema.optional(),
  note: z.string().max(120),
});
export type BenchExceptionDay = z.infer<typeof benchExceptionSchema>;

/** The lamp that prints are cured under. */
export const cureSetupSchema = z.strictObject({
  lampNm: quantitySchema('Wavelength', 'nm', LIGHT_NM).nullable(),
  litSides: quantitySchema('Lit from so many sides', 'count', [1, 6], { whole: true }),
  turntable: z.boolean(),
  reflector: z.boolean(),
  vessel: z.enum(CURE_VESSELS),
});
export type CureSetup = z.infer<typeof cureSetupSchema>;

/** How the shop gets metal into a flask; numbers of the other ways stay for when it pours that way again. */
export const pouringSchema = z.strictObject({
  way: z.enum(POUR_WAYS),
  vacuumKpa: quantitySchema('Vacuum at the pour', 'kPa', [5, 101], { digits: 0 }),
  armMm: quantitySchema('Axis to flask', 'mm', [50, 2000], { digits: 0 }),
  turnsPerMin: quantitySchema('Turns a minute', 'count', [10, 2000], { whole: true }),
});
export type Pouring = z.infer<typeof pouringSchema>;

/** A way of pouring with what is usual for it. */
export const usualPouring = (way: Pouring['way']): Pouring => ({
  way,
  vacuumKpa: 70,
  armMm: 300,
  turnsPerMin: 300,
});

/** What wax joints bear, and what one dip adds to a support that is kept. */
export const jointsSchema = z.strictObject({
  strengthKpa: quantitySchema('Wax joints bear', 'kPa', [10, 5000], {
    digits: 0,
    hint: 'Well joined 1000 to 2000, poor joints a fifth',
  }),
  dipMm: quantitySchema('A dip adds', 'mm', [0.05, 2], { digits: 2, hint: 'To the diameter' }),
});
export type Joints = z.infer<typeof jointsSchema>;

/** What powder is mixed and flasks stand in under the vacuum; what is absent nobody has said. */
export const investingSchema = z.strictObject({
  bowlMl: quantitySchema('Largest bowl', 'ml', [100, 50_000], { digits: 0, hint: 'to its brim' }).optional(),
  flasksAtOnce: quantitySchema('Flasks under vacuum', 'count', [1, 20], {
    whole: true,
    hint: 'together; empty: one',
  }).optional(),
});
export type Investing = z.infer<typeof investingSchema>;

/** Where the shop's other devices answer as docs/devices.md says. */
export const readersSchema = z.strictObject({
  balanceUrl: z.string().trim().max(300).optional(),
  thermometerUrl: z.string().trim().max(300).optional(),
});
export type Readers = z.infer<typeof readersSchema>;

/** What routes to a casting take in this shop; what is absent is as usual. */
export const routeTimesSchema = z.strictObject({
  perHandsHour: quantitySchema('An hour of hands', 'money', [0, 1000], { digits: 2 }).optional(),
  /** By the route's name. */
  minutes: z.record(
    keySchema,
    z.strictObject({
      moldHandsMin: quantitySchema('Hands on a mold', 'min', [0, 6000], { digits: 0 }).optional(),
      pieceHandsMin: quantitySchema('Hands on a piece', 'min', [0, 600], { digits: 1 }).optional(),
    }),
  ),
});
export type RouteTimes = z.infer<typeof routeTimesSchema>;

/** A bath that prints are washed in, and when it was last filled anew. */
export const bathSchema = z.strictObject({
  key: keySchema,
  name: nameSchema,
  medium: z.enum(CLEAN_MEDIA),
  changedAt: momentSchema,
  /** Parts after which it is changed. */
  partsMost: quantitySchema('Good for parts', 'count', [1, 10_000], { whole: true }),
});
/** A time zone by its name in the world's list ("UTC", "Pacific/Auckland"), known to this runtime. */
export const timeZoneSchema = z.string().max(60).refine(isTimeZone, 'no time zone that is known here');
function isTimeZone(name: string): boolean {
  try {
    return name !== '' && new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

export type Bath = z.infer<typeof bathSchema>;

/** Somebody who works here, by what they are called at the bench. */
export const personSchema = z.strictObject({
  key: keySchema,
  name: nameSchema,
  /** Absent: whatever there is to do. */
  does: z.array(z.enum(WORK_SKILLS)).max(WORK_SKILLS.length).optional(),
  /** Sunday first; absent: whenever the bench is open. */
  hours: z.array(benchDaySchema).length(7).optional(),
});
export type Person = z.infer<typeof personSchema>;

const houseDays = (label: string) => quantitySchema(label, 'days', [0, 60], { digits: 1 });
/** What a casting house takes in hand. */
export const HOUSE_TAKES = ['prints', 'trees'] as const;
/** Who puts the sprues on. */
export const HOUSE_SPRUES = ['house', 'shop'] as const;
/** A casting house that burns out and pours for the shop. Its burnout is not known here. */
export const houseSchema = z.strictObject({
  key: keySchema,
  name: nameSchema,
  daysThere: houseDays('Days there'),
  /** Absent: nobody has said. */
  daysWithIt: houseDays('Days with it').optional(),
  daysBack: houseDays('Days back'),
  takes: z.enum(HOUSE_TAKES),
  /** Resins, metals, sizes, as it says itself. */
  accepts: z.string().max(300),
  /** What is absent below nobody has said. */
  waxOnly: z.boolean().optional(),
  /** Prints of these alone. */
  resinIds: z.array(idSchema).max(60).optional(),
  sprues: z.enum(HOUSE_SPRUES).optional(),
  shrinkPercent: quantitySchema('Shrinks, as it says', 'percent', [0, 10], { digits: 2 }).optional(),
  pricePerPiece: quantitySchema('A casting costs', 'money', [0, 100_000], { digits: 2 }).optional(),
});
export type House = z.infer<typeof houseSchema>;

const workMinutes = (label: string) => quantitySchema(label, 'min', [1, 1440], { digits: 0 }).optional();
/** How the shop's weeks are planned; what is absent is as usual. */
export const planningSchema = z.strictObject({
  goal: z.enum(WEEK_GOALS).optional(),
  /** How long hands are at each piece of work here. */
  minutes: z
    .strictObject({
      warm: workMinutes('Warm a bottle'),
      startPrint: workMinutes('Set up a print'),
      sprue: workMinutes('Sprue and weigh, a flask'),
      invest: workMinutes('Invest, a bowl'),
      kilnHand: workMinutes('At the kiln’s door'),
      melt: workMinutes('Melt'),
      pour: workMinutes('Pour, a flask'),
      quench: workMinutes('Open in water'),
      divest: workMinutes('Clear of plaster'),
      finish: workMinutes('Cut off, a flask'),
    } satisfies Record<keyof typeof USUAL_MINUTES, unknown>)
    .optional(),
  /** Presses for rubber molds. */
  presses: quantitySchema('Presses', 'count', [1, 20], { whole: true }).optional(),
});
export type Planning = z.infer<typeof planningSchema>;

const EMPTY_COST = { hint: 'empty: not counted' };
const price = (label: string) => quantitySchema(label, 'money', PRICE, EMPTY_COST).optional();
/** Prices that no thing of the shop carries; what is absent is not counted. */
export const costsSchema = z.strictObject({
  perKwh: price('A kWh'),
  furnaceKw: quantitySchema('Furnace, power', 'kW', [0.1, 200], { ...EMPTY_COST, digits: 1 }).optional(),
  film: price('A film of the vat'),
  filmLayers: quantitySchema('… good for layers', 'count', [100, 1e7], { whole: true }).optional(),
  bathFill: price('A fill of a bath'),
  boricPerKg: price('A kilogram of boric acid'),
  eachPour: price('Flux, gaskets, each pour'),
});
export type Costs = z.infer<typeof costsSchema>;

/** What holds for the whole shop. */
export const settingsSchema = z.strictObject({
  shopName: z.string().max(120),
  /** Shown before or after amounts; the user's own sign or letters. */
  currency: z.string().max(6),
  /** The shop's own clock: bench hours and all times are of it, wherever a browser stands. */
  timeZone: timeZoneSchema,
  /** Sunday first. */
  benchHours: z.array(benchDaySchema).length(7),
  /** In the order in which they were said: a later one comes before an earlier one. */
  benchExceptions: z.array(benchExceptionSchema).max(200).optional(),
  newMetalPercent: newMetalSchema,
  /** The fixed plate of the shop's own parts that every new resin is tried on. */
  testSet: z.array(z.strictObject({ patternId: idSchema, castClass: z.enum(TUNED_CLASSES) })).max(40),
  cure: cureSetupSchema,
  baths: z.array(bathSchema).max(12),
  /** Absent: nobody has said. */
  pouring: pouringSchema.optional(),
  /** Absent: the usual. */
  joints: jointsSchema.optional(),
  /** Absent: the usual. */
  routeTimes: routeTimesSchema.optional(),
  investing: investingSchema.optional(),
  readers: readersSchema.optional(),
  people: z.array(personSchema).max(12).optional(),
  planning: planningSchema.optional(),
  houses: z.array(houseSchema).max(20).optional(),
  costs: costsSchema.optional(),
  /** Of other shops. */
  causeTables: z.array(causeTableSchema).max(10).optional(),
});
export type Settings = z.infer<typeof settingsSchema>;

/** The shop's wax joints, or the usual. */
export const jointsOf = ({ joints }: Pick<Settings, 'joints'>): Joints =>
  joints ?? { strengthKpa: 1000 * JOINT_STRENGTH_MPA, dipMm: WAX_DIP_MM };

const clockOf = (
  { benchHours, benchExceptions, timeZone }: Settings,
  hours: BenchClock['hours'] = benchHours,
  key?: string,
): BenchClock => ({
  hours,
  timeZone,
  exceptions: benchExceptions?.filter(({ who }) => who === undefined || who === key),
});

/** The shop's hours on the shop's clock. */
export const benchClock = (settings: Settings): BenchClock => clockOf(settings);

/** … of one person, with their own days off. */
export const personClock = (settings: Settings, { key, hours }: Pick<Person, 'key' | 'hours'>): BenchClock =>
  clockOf(settings, hours, key);

/** Minutes of a piece of work: the shop's own, else the usual. */
export const workMinutesOf = (
  { planning }: Pick<Settings, 'planning'>,
  work: keyof typeof USUAL_MINUTES,
): number => planning?.minutes?.[work] ?? USUAL_MINUTES[work];

const weekday = { open: true, fromMin: 8 * 60, toMin: 18 * 60 };
export const DEFAULT_SETTINGS: Settings = {
  shopName: '',
  currency: '',
  timeZone: 'UTC',
  benchHours: [
    { ...weekday, open: false },
    weekday,
    weekday,
    weekday,
    weekday,
    weekday,
    { ...weekday, open: false },
  ],
  newMetalPercent: 50,
  testSet: [],
  cure: { lampNm: null, litSides: 1, turntable: false, reflector: false, vessel: 'none' },
  baths: [],
};
