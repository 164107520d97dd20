import { z } from 'zod';
import { idSchema, momentSchema } from './parts';

/** Ports that need no special rights. */
export const NETWORK_PORT = 4690;
/** Short enough to be typed at a bench, long enough not to be guessed within the tries that are allowed. */
export const PASSCODE_LENGTH = [8, 200] as const;

const addressSchema = z.ipv4();
export const passcodeSchema = z.strictObject({
  passcode: z.string().min(PASSCODE_LENGTH[0], 'at least 8 characters').max(PASSCODE_LENGTH[1]),
});
export const networkOnSchema = z.strictObject({
  address: addressSchema,
  port: z.number().int().min(1024).max(65535),
});

/** A phone or another machine that signed in with the shop's passcode. */
export const signedInDeviceSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(120),
  signedInAt: momentSchema,
  seenAt: momentSchema,
  endsAt: momentSchema,
});
export type SignedInDevice = z.infer<typeof signedInDeviceSchema>;

/** How the shop is reached from its own network. */
export const networkStateSchema = z.strictObject({
  /** Where it answers now; null: nowhere but on this machine. */
  url: z.string().nullable(),
  /** Why it does not answer although it was turned on. */
  trouble: z.string().nullable(),
  address: z.string().nullable(),
  port: z.number().int(),
  hasPasscode: z.boolean(),
  /** SHA-256 of its certificate, in pairs, for the look that a phone gives it. */
  fingerprint: z.string().nullable(),
  /** Addresses of this machine in networks around it. */
  addresses: z.array(z.strictObject({ address: addressSchema, name: z.string() })),
  devices: z.array(signedInDeviceSchema),
});
export type NetworkState = z.infer<typeof networkStateSchema>;

export const signInSchema = z.strictObject({
  passcode: z.string().max(PASSCODE_LENGTH[1]),
  /** How this device is called in the list. */
  name: z.string().trim().max(120),
});
