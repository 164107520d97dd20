import type { Pattern, SizeTarget } from '@zero-pour/contracts';
import { formatNumber, type AlongAxes } from '@zero-pour/core';
import { partOf, savePartJob, type SaveFormat, type Stretch } from '@zero-pour/jobs';
import { runJob } from '../../jobs';
import { saveFile } from '../saveFile';

async function write(pattern: Pattern, stretch: Stretch | null, to: SaveFormat, name: string): Promise<void> {
  const { output } = await runJob(savePartJob, { part: partOf(pattern), stretch, to });
  saveFile(new Blob([output]), name);
}

/** Saves the part as it was read, in mm, whatever its file was. */
export const savePattern = (pattern: Pattern, to: SaveFormat): Promise<void> =>
  write(pattern, null, to, `${pattern.name} mm.${to}`);

/** … stretched along the axes of its print, and stood up as it is printed where that is asked for. */
export const saveScaled = (pattern: Pattern, stretch: Stretch, to: SaveFormat, name: string): Promise<void> =>
  write(pattern, stretch, to, name);

/** "Barnacle band US 7 101.23 pc mm.stl": the ring size and the percent travel with the file. */
export function scaledName(
  name: string,
  [x, y, z]: AlongAxes,
  ring: SizeTarget['ring'],
  to: SaveFormat,
  standing = false,
): string {
  const percent = (value: number): string => formatNumber(value, 2);
  const scale = x === y && y === z ? percent(x) : `X${percent(x)} Y${percent(y)} Z${percent(z)}`;
  // Names of files bear no slashes, as in "7 1/2".
  const size = ring ? ` ${ring.system} ${ring.size.replace(/\s*1\/2/, '½').replaceAll('/', '-')}` : '';
  return `${name}${size} ${scale} pc${standing ? ' standing' : ''} mm.${to}`;
}
