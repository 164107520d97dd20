import { protocolHours } from '@zero-pour/core';
import type { Sight } from '../stage';
import { handsOn, lifeWait, type StageWork } from '../times/stageWork';
import { protocolOf } from './cleaning';
import { freshClocks } from './freshClocks';

const DAY_MIN = 24 * 60;

/** Prints off, washed, dried and cured by the protocol, before they go off uncured. */
export function cleanWork({ context }: Sight): StageWork[] {
  const protocol = protocolOf(context);
  if (protocol.length === 0) return [];
  const life = context.resin?.uncuredLifeDays ?? null;
  const clock = freshClocks(context).find(({ what }) => what === 'uncured print');
  return [
    handsOn('clean', 'clean', 'clean', protocolHours(protocol) * 60, {
      waits: lifeWait(life === null ? null : life * DAY_MIN),
      notAfter: clock?.lapsesAt,
    }),
  ];
}
