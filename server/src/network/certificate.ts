import { X509Certificate } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { generate } from 'selfsigned';

/** As long as phones take a certificate for; a new one is made a month before. */
const DAYS = 397;
const RENEW_DAYS = 30;
const DAY_MS = 86_400_000;

export interface Certificate {
  key: string;
  cert: string;
  /** SHA-256, in pairs. */
  fingerprint: string;
}

const read = (file: string): Promise<string | null> =>
  readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return null;
    throw error;
  });

/** Whether a certificate is of this address and lasts; a text that is none is not. */
function isGood(cert: string, address: string, now: Date): boolean {
  try {
    const x509 = new X509Certificate(cert);
    const lastsMs = Date.parse(x509.validTo) - now.getTime();
    return x509.checkIP(address) !== undefined && lastsMs > RENEW_DAYS * DAY_MS;
  } catch {
    return false;
  }
}

async function make(address: string, now: Date): Promise<{ private: string; cert: string }> {
  return generate([{ name: 'commonName', value: 'Zero Pour' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - DAY_MS),
    notAfterDate: new Date(now.getTime() + DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: true, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyCertSign: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: [{ type: 7, ip: address }] },
    ],
  });
}

/**
 * The shop's own certificate for an address: the kept one while it holds, else a new one. Its key is readable by the user
 * alone that runs Zero Pour.
 */
export async function certificateFor(folder: string, address: string, now: Date): Promise<Certificate> {
  const [keyFile, certFile] = [path.join(folder, 'key.pem'), path.join(folder, 'cert.pem')];
  let [key, cert] = await Promise.all([read(keyFile), read(certFile)]);
  if (key === null || cert === null || !isGood(cert, address, now)) {
    const made = await make(address, now);
    [key, cert] = [made.private, made.cert];
    await mkdir(folder, { recursive: true, mode: 0o700 });
    await writeFile(keyFile, key, { mode: 0o600 });
    await writeFile(certFile, cert, { mode: 0o600 });
  }
  return { key, cert, fingerprint: new X509Certificate(cert).fingerprint256 };
}
