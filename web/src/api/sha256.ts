/** SHA-256 as lower-case hex: the name that bytes are kept under. */
export async function sha256(bytes: ArrayBuffer | Uint8Array<ArrayBuffer>): Promise<string> {
  const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return [...sum].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
