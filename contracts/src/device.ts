import { z } from 'zod';
import { idSchema, momentSchema } from './parts';

/**
 * What a kiln controller, thermometer or balance speaks with Zero Pour, over HTTP and server-sent events
 * (docs/devices.md is the description for whoever builds a bridge to a real one). Keys that are not known are passed
 * over, so that a device may say more.
 */
export const DEVICE_FORMAT = 'zero-pour-device';
export const DEVICE_VERSION = 1;
const DEVICE_KINDS = ['kiln', 'thermometer', 'balance'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** Who is there: GET / */
export const deviceHelloSchema = z.object({
  format: z.literal(DEVICE_FORMAT),
  version: z.literal(DEVICE_VERSION),
  kind: z.enum(DEVICE_KINDS),
  deviceId: idSchema,
  name: z.string().min(1).max(120),
  /** Its clock now. */
  now: momentSchema,
  /** How fast its clock goes: 1 is real time. Only a stand-in has another. */
  pace: z.number().positive().max(3600).default(1),
  /** It is no device: it only behaves as one. */
  standIn: z.boolean().default(false),
});
export type DeviceHello = z.infer<typeof deviceHelloSchema>;

/** One reading: GET /readings?after=n, and every event of GET /stream?after=n. */
export const deviceReadingSchema = z.object({
  /** Counts up by one, and never begins anew. */
  n: z.number().int().positive(),
  at: momentSchema,
  /** °C or g; null: its sensor is lost. */
  value: z.number().nullable(),
  /** Set point of a kiln, °C; null while nothing drives it. */
  set: z.number().nullable().default(null),
  /** The run that it is in, and which segment of it, from 0. */
  runId: idSchema.nullable().default(null),
  segment: z.number().int().nonnegative().nullable().default(null),
  /** Of a balance: it has come to rest. */
  steady: z.boolean().default(true),
});
export type DeviceReading = z.infer<typeof deviceReadingSchema>;
/** In order, of those that it still remembers; as many as it likes at once. */
export const deviceReadingsSchema = z.object({ readings: z.array(deviceReadingSchema).max(10_000) });

/** A programme as a controller is given it: PUT /run/{id}. The same id again changes nothing. */
export const deviceRunSchema = z.strictObject({
  name: z.string().trim().min(1).max(255),
  segments: z
    .array(
      z.strictObject({
        /** null: full power, or left to cool. */
        rampCPerH: z.number().min(1).max(5000).nullable(),
        targetC: z.number().min(0).max(1300),
        holdS: z
          .number()
          .min(0)
          .max(72 * 3600),
      }),
    )
    .min(1)
    .max(30),
});
export type DeviceRun = z.infer<typeof deviceRunSchema>;

/** What a stand-in can be told to suffer. */
export const troublesSchema = z.strictObject({
  powerOut: z.boolean().optional(),
  /** Its relay sticks: it heats whatever is wanted, and overshoots. */
  stuckOn: z.boolean().optional(),
  /** Its walls hold their heat three times as long. */
  failsToCool: z.boolean().optional(),
  doorOpen: z.boolean().optional(),
  /** Its thermocouple reads too low by so much. */
  driftC: z.number().min(-200).max(200).optional(),
  probeLost: z.boolean().optional(),
  /** It answers nobody, for so many seconds of the wall's clock. */
  linkOutS: z.number().min(0).max(3600).optional(),
  pace: z.number().min(0.1).max(3600).optional(),
});
export type Troubles = z.infer<typeof troublesSchema>;

/** What a balance (g) or thermometer (°C) read, for one field, by a press. */
export const handReadingSchema = z.strictObject({
  value: z.number(),
  at: momentSchema,
  device: z.string().max(120),
  standIn: z.boolean(),
});
export type HandReading = z.infer<typeof handReadingSchema>;
export const handDeviceSchema = z.enum(['balance', 'thermometer']);
export type HandDevice = z.infer<typeof handDeviceSchema>;

/** How the link to a kiln stands. A link that is lost claims no temperature: what is left is when it was last read. */
const LINKS = ['asking', 'on', 'lost'] as const;
export const deviceStateSchema = z.strictObject({
  kilnId: idSchema,
  link: z.enum(LINKS),
  /** Since when it stands so. */
  since: momentSchema,
  /** Why it is lost, or what is wrong with what it says. */
  sentence: z.string().nullable(),
  device: z
    .strictObject({ name: z.string(), standIn: z.boolean(), pace: z.number(), clockOffS: z.number() })
    .nullable(),
  /** The last that was read, and when that was by this machine's clock. */
  reading: deviceReadingSchema.nullable(),
  readAt: momentSchema.nullable(),
  /** The run that is written down now. */
  runId: idSchema.nullable(),
});
export type DeviceState = z.infer<typeof deviceStateSchema>;
export const deviceListSchema = z.strictObject({
  devices: z.array(deviceStateSchema),
  /** Where the stand-ins are, when they run beside this server. */
  standIns: z.string().nullable(),
});
export type DeviceList = z.infer<typeof deviceListSchema>;

/** A programme that is sent to a kiln, and whose burnout it is. */
export const sendRunSchema = deviceRunSchema.extend({ id: idSchema, pourId: idSchema.nullable() });
export type SendRun = z.infer<typeof sendRunSchema>;
