import type { Pattern } from '@zero-pour/contracts';
import { fetchBytes } from '../../api/request';
import { saveFile } from '../saveFile';
import { inWorker } from './workerPool';

export type SaveFormat = 'stl' | '3mf';

/** Saves the part as it was read, in mm, whatever its file was. */
export async function savePattern(pattern: Pattern, to: SaveFormat): Promise<void> {
  const bytes = await fetchBytes(pattern.fileHash);
  const { fileName, measure, name } = pattern;
  const written = await inWorker(async (remote) => remote.convert(bytes, fileName, measure.unitMm, to));
  saveFile(new Blob([written as Uint8Array<ArrayBuffer>]), `${name} mm.${to}`);
}
