import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

/** 64 MB and about a tenth of a second for each try (RFC 7914; N as is usual for signing in). */
const COST = { N: 65_536, r: 8, p: 1 };
const KEY_BYTES = 32;

const derive = (passcode: string, salt: Buffer, { N, r, p }: typeof COST): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const options: ScryptOptions = { N, r, p, maxmem: 256 * N * r };
    // One way of writing letters with marks, so that two keyboards type the same passcode.
    scrypt(passcode.normalize('NFC'), salt, KEY_BYTES, options, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

/** A passcode as it is kept: "scrypt:N:r:p:salt:key". */
export async function hashPasscode(passcode: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(passcode, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join(':');
}

/** Whether a passcode is the kept one; what is kept in no known way is nobody's. */
export async function isPasscode(passcode: string, kept: string): Promise<boolean> {
  const [way, N, r, p, salt, key] = kept.split(':');
  if (way !== 'scrypt' || salt === undefined || key === undefined) return false;
  const own = await derive(passcode, Buffer.from(salt, 'base64'), {
    N: Number(N),
    r: Number(r),
    p: Number(p),
  });
  const held = Buffer.from(key, 'base64');
  return held.length === own.length && timingSafeEqual(held, own);
}
