import { z } from 'zod';
import { deviceRunSchema } from './device';
import { idSchema, momentSchema } from './parts';

/** Whether a run was read out of a log's file, or came from a device that the shop listens to. */
const KILN_RUN_SOURCES = ['file', 'device'] as const;
const LONGEST_RUN_H = 24 * 30;
/** Of one sending: a log is thinned to this before it is kept. */
export const MOST_RUN_ROWS = 20_000;

const nameSchema = z.string().trim().min(1).max(255);

/** A stretch in which a kiln's temperature was written down. */
export const kilnRunSchema = z.strictObject({
  id: idSchema,
  kilnId: idSchema,
  /** The pour that was burnt out by it; null: none, or nobody said. */
  pourId: idSchema.nullable(),
  source: z.enum(KILN_RUN_SOURCES),
  /** The file's name, or the programme's. */
  name: nameSchema,
  startedAt: momentSchema,
  /** After its last reading, s; and how many there are. */
  lastS: z.number().nonnegative(),
  rows: z.number().int().nonnegative(),
  /** It is written down now. */
  going: z.boolean().default(false),
  /** The programme as the device was given it. */
  sent: deviceRunSchema.nullable().default(null),
  /** Readings that the device had and that were never had here. */
  missing: z.number().int().nonnegative().default(0),
});
export type KilnRun = z.infer<typeof kilnRunSchema>;
export const kilnRunListSchema = z.strictObject({ runs: z.array(kilnRunSchema) });

const secondsSchema = z
  .number()
  .min(0)
  .max(LONGEST_RUN_H * 3600);
const readC = z.number().min(-60).max(1400);
const readings = {
  /** After the start, s, each later than the one before. */
  atS: z.array(secondsSchema),
  tempC: z.array(readC),
  /** Null: the machine wrote none. */
  setC: z.array(readC.nullable()),
};

interface Readings {
  atS: number[];
  tempC: number[];
  setC: (number | null)[];
}
const isSquare = ({ atS, tempC, setC }: Readings): boolean =>
  tempC.length === atS.length && setC.length === atS.length;
const isRising = ({ atS }: Readings): boolean => atS.every((at, n) => n === 0 || at > atS[n - 1]!);

/** A log's file as it is kept: whole, at once. */
export const newKilnRunSchema = z
  .strictObject({
    kilnId: idSchema,
    pourId: idSchema.nullable(),
    name: nameSchema,
    startedAt: momentSchema,
    ...readings,
  })
  .refine((run) => run.atS.length > 1 && run.atS.length <= MOST_RUN_ROWS, {
    path: ['atS'],
    message: `2 to ${MOST_RUN_ROWS} readings`,
  })
  .refine(isSquare, { path: ['tempC'], message: 'a temperature and a set point for every time' })
  .refine(isRising, { path: ['atS'], message: 'each later than the one before' });
export type NewKilnRun = z.infer<typeof newKilnRunSchema>;

/** A run with its readings, thinned: one in each stretch of so many seconds. */
export const kilnCurveSchema = z
  .strictObject({ run: kilnRunSchema, everyS: z.number().nonnegative(), ...readings })
  .refine(isSquare, { message: 'a temperature and a set point for every time' });
export type KilnCurve = z.infer<typeof kilnCurveSchema>;
