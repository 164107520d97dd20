import { sendBytes } from './request';
import { sha256 } from '@zero-pour/jobs';

/** Keeps a photo under the hash of its bytes. */
export async function keepPhoto(file: File): Promise<{ hash: string; name: string }> {
  const hash = await sha256(await file.arrayBuffer());
  await sendBytes(hash, file);
  return { hash, name: file.name.slice(0, 255) };
}
