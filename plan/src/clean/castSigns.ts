import { LOOK_WORDS, say, sign, type Evidence } from '@zero-pour/core';
import type { Sight } from '../stage';
import { cleaningOf } from './cleaning';

/** How the print looked when it was last looked at: what stays tacky holds dust, and that is cast in. */
export function cleanCastSigns({ context }: Sight): Evidence {
  const last = cleaningOf(context).findLast(({ record }) => record?.saw !== undefined);
  const saw = last?.record?.saw;
  if (!last || !saw) return {};
  return { 'looked tacky or dark': sign(saw !== 'fine', say`${last.step.name}: ${LOOK_WORDS[saw]}.`) };
}
