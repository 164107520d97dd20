import { TUNED_CLASSES } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema } from './parts';

const minuteSchema = z.number().int().min(0).max(1440);
export const benchDaySchema = z.strictObject({
  open: z.boolean(),
  fromMin: minuteSchema,
  toMin: minuteSchema,
});

/** What holds for the whole shop. */
export const settingsSchema = z.strictObject({
  shopName: z.string().max(120),
  /** Shown before or after amounts; the user's own sign or letters. */
  currency: z.string().max(6),
  /** Sunday first. */
  benchHours: z.array(benchDaySchema).length(7),
  newMetalPercent: z.number().min(0).max(100),
  /** The fixed plate of the shop's own parts that every new resin is tried on. */
  testSet: z.array(z.strictObject({ patternId: idSchema, castClass: z.enum(TUNED_CLASSES) })).max(40),
});
export type Settings = z.infer<typeof settingsSchema>;

const weekday = { open: true, fromMin: 8 * 60, toMin: 18 * 60 };
export const DEFAULT_SETTINGS: Settings = {
  shopName: '',
  currency: '',
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
};
