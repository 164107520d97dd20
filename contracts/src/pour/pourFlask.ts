import { DIVEST_TOOLS, EFFORTS, POUR_WAYS, QUENCHES, RAN } from '@zero-pour/core';
import { z } from 'zod';
import {
  atLeastZeroSchema,
  idSchema,
  keySchema,
  momentSchema,
  newMetalSchema,
  noteSchema,
  positiveSchema,
  ROOM_C,
} from '../parts';
import { quantitySchema, readingSchema } from '../quantities';
import { stepsSchema } from './making';
import { pieceKeySchema } from './pieces';

/** Which way of the part runs along its gate: as it was printed, or an axis of the file. */
export const HANGS = ['as printed', 'x', 'y', 'z'] as const;

/** How parts stand on a tree: on the base itself, round a main sprue, or on level branches off it. */
export const ARRANGEMENTS = ['straight', 'rings', 'branches'] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];

/** Thickness of branches where none is typed. mm. */
export const USUAL_BRANCH_MM = 5;

/** Where one piece hangs on the tree, by its name. */
export const hungSchema = z.strictObject({
  key: pieceKeySchema,
  angleDeg: quantitySchema('Round the sprue', 'deg', [-720, 720]),
  awayMm: quantitySchema('From the axis', 'mm', [0, 400], { digits: 1 }),
  heightMm: quantitySchema('Joined at', 'mm', [0, 600], { digits: 1 }),
  tiltDeg: quantitySchema('Upward from level', 'deg', [-90, 90]),
  spinDeg: quantitySchema('Turned about its gate', 'deg', [-720, 720]),
  /** Joined to the upper side of a level branch, not to the main sprue. */
  onBranch: z.boolean().optional(),
});
export type HungAt = z.infer<typeof hungSchema>;

export const sprueStageSchema = z.strictObject({
  hangs: z.enum(HANGS).optional(),
  flaskId: idSchema.optional(),
  arrangement: z.enum(ARRANGEMENTS),
  tiltDeg: quantitySchema('Upward from level', 'deg', [0, 80], {
    hint: '30 to 60: bubbles leave, wax drains',
  }),
  mainSprueDiameterMm: quantitySchema('Main sprue, diameter', 'mm', [1, 40], { digits: 2 }),
  mainSprueLengthMm: quantitySchema('Main sprue, length', 'mm', [0, 300], { digits: 1 }),
  branchDiameterMm: quantitySchema('Branches, diameter', 'mm', [1, 40], { digits: 2 }).optional(),
  /** Hung by their real shapes; absent: reckoned as bounding cylinders. */
  hung: z.array(hungSchema).max(500).optional(),
  weighBy: z.enum(['volume', 'weight']),
  /** All patterns of the tree on the balance, without sprues. */
  weighedPatternsG: readingSchema('Patterns on the balance', 'g', [0.001, 1e5], { digits: 2 }).optional(),
  /** The whole tree on its base, and the base alone: what is neither print nor base is wax. */
  weighedTreeG: readingSchema('Tree on its base', 'g', [0.001, 1e5], { digits: 2 }).optional(),
  weighedBaseG: readingSchema('Base alone', 'g', [0, 1e5], { digits: 2 }).optional(),
  newPercent: newMetalSchema.optional(),
  /** Lots that the charge is weighed out of, by their ids. */
  lots: z
    .array(
      z.strictObject({ key: idSchema, massG: quantitySchema('Out of it', 'g', [0, 1e5], { digits: 2 }) }),
    )
    .max(8)
    .optional(),
  doneAt: momentSchema.optional(),
  note: noteSchema.optional(),
});

export const openedSchema = z.strictObject({
  quench: z.enum(QUENCHES).optional(),
  tool: z.enum(DIVEST_TOOLS).optional(),
  minutes: quantitySchema('Clearing took', 'min', [0, 1440], { digits: 0 }).optional(),
  effort: z.enum(EFFORTS).optional(),
  pickleMin: quantitySchema('In the pickle', 'min', [0, 1440], { digits: 0 }).optional(),
});
export type Opened = z.infer<typeof openedSchema>;

export const pourStageSchema = z.strictObject({
  /** Chosen temperatures; absent means by alloy and class. */
  flaskTempC: quantitySchema('Flask, your own', 'degC', [30, 1300]).optional(),
  metalTempC: quantitySchema('Metal, your own', 'degC', [150, 1300]).optional(),
  /** Hotter or cooler on purpose, and what for: kept as intent beside what it comes to. */
  flaskOffsetC: quantitySchema('On purpose hotter by', 'degCSpan', [-150, 150], { digits: 0 }).optional(),
  flaskOffsetFor: z.string().max(80).optional(),
  flaskRead: readingSchema('Flask, as read', 'degC', [10, 1000]).optional(),
  metalRead: readingSchema('Metal, as read', 'degC', [100, 1300]).optional(),
  /** The charge as it was reckoned when the metal was poured: later edits do not rewrite it. */
  chargePlannedG: positiveSchema.max(1e6).optional(),
  /** Hours that its core was hot enough to burn carbon, as reckoned when it was poured: by the kiln's log, else as planned. */
  coreH: z.strictObject({ value: atLeastZeroSchema.max(720), by: z.enum(['log', 'plan']) }).optional(),
  chargeRead: readingSchema('Charge, as weighed', 'g', [0.1, 1e5]).optional(),
  /** How the metal was got into it: as the shop pours when it was poured, unless said otherwise. */
  way: z.enum(POUR_WAYS).optional(),
  crucible: z.string().max(60).optional(),
  flux: z.enum(['used', 'none']).optional(),
  /** Who poured, by the key of one who works here. */
  whoKey: keySchema.optional(),
  vacuumKpa: readingSchema('Vacuum pulled', 'kPa', [-105, 105]).optional(),
  /** Read once more, so that a leak shows. */
  vacuumLaterKpa: readingSchema('Vacuum a minute later', 'kPa', [-105, 105]).optional(),
  /** … and over time, from when the pump took hold. */
  vacuumReads: z
    .array(
      z.strictObject({
        afterS: quantitySchema('After', 's', [0, 3600], { digits: 0 }),
        kPa: quantitySchema('Gauge', 'kPa', [-105, 105], { digits: 0 }),
      }),
    )
    .max(60)
    .optional(),
  /** The power went while it melted: the metal in its crucible, as it was read then. */
  meltReads: z
    .array(
      z.strictObject({
        at: momentSchema,
        tempC: quantitySchema('Metal now', 'degC', [20, 1300], { digits: 0 }),
      }),
    )
    .max(40)
    .optional(),
  /** From the pour until the button is solid. */
  solidAfterMin: readingSchema('Button solid after', 'min', [0, 240], { digits: 1 }).optional(),
  quenchAfterMin: readingSchema('Quenched after', 'min', [0, 1440], { digits: 1 }).optional(),
  /** From the kiln's door to the metal in the flask. */
  outMin: quantitySchema('Out of the kiln before the metal', 'min', [0, 60], { digits: 1 }).optional(),
  /** The room on the way, where the flask loses heat. */
  roomC: readingSchema('Room at the pour', 'degC', ROOM_C).optional(),
  pouredAt: momentSchema.optional(),
  /** As it was once told; now `ran` says more. */
  spilled: z.boolean().optional(),
  ran: z.enum(RAN).optional(),
  /** How it came out of its investment. */
  opened: openedSchema.optional(),
  /** Timed steps at the furnace. */
  steps: stepsSchema.optional(),
  note: noteSchema.optional(),
});

/** One flask of a pour: what hangs in it, its tree, its place in the kiln, and its pour. Several share one bowl. */
export const pourFlaskSchema = z.strictObject({
  key: keySchema,
  /** Pieces that hang in it; absent: all that go into a flask and hang in no other. */
  pieces: z.array(pieceKeySchema).max(500).optional(),
  sprue: sprueStageSchema,
  /** When it was filled from the bowl. */
  filledAt: momentSchema.optional(),
  /** Where it stands in the kiln, in the shop's words. */
  kilnPlace: z.string().max(60).optional(),
  pour: pourStageSchema,
});
export type PourFlask = z.infer<typeof pourFlaskSchema>;

/** Key of the flask that every pour begins with. */
export const FIRST_FLASK = 'f1';

/** A flask nothing of which is decided: shop defaults. */
export const emptyFlask = (key: string): PourFlask => ({
  key,
  sprue: {
    arrangement: 'straight',
    tiltDeg: 45,
    mainSprueDiameterMm: 6,
    mainSprueLengthMm: 12,
    weighBy: 'volume',
  },
  pour: {},
});

/** How its metal ran; undefined while nobody said. */
export const ranOf = ({ ran, spilled }: PourFlask['pour']): PourFlask['pour']['ran'] =>
  ran ?? (spilled ? 'spilled' : undefined);

interface Poured {
  flasks: readonly Pick<PourFlask, 'pour'>[];
}

/** Moment of the pour: of the last flask, once all are poured; undefined before. */
export function pouredAt({ flasks }: Poured): string | undefined {
  const moments = flasks.map(({ pour }) => pour.pouredAt);
  return moments.includes(undefined) ? undefined : moments.sort().at(-1);
}

/** Whether any flask is poured. */
export const anyPoured = ({ flasks }: Poured): boolean =>
  flasks.some(({ pour }) => pour.pouredAt !== undefined);
