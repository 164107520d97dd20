/** JSON with the keys of every object in order, so that equal input has one text. Undefined fields are none. */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const fields = Object.entries(value)
    .filter(([, field]) => field !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  return `{${fields.map(([key, field]) => `${JSON.stringify(key)}:${canonicalJson(field)}`).join(',')}}`;
}

/** What a result hangs on: name and version of the job, and its input. */
export const jobText = (job: { name: string; version: number }, input: unknown): string =>
  `${job.name}@${job.version} ${canonicalJson(input)}`;

/** SHA-256 of bytes, lower-case hex. */
export async function sha256(bytes: Uint8Array<ArrayBuffer> | ArrayBuffer): Promise<string> {
  const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return [...sum].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The key that a result is kept under: SHA-256 of the text above. */
export const jobKey = (job: { name: string; version: number }, input: unknown): Promise<string> =>
  sha256(new TextEncoder().encode(jobText(job, input)));
