import { workMinutesOf } from '@zero-pour/contracts';
import { castsWax, SET_H } from '@zero-pour/core';
import { freshClocks } from '../clean/freshClocks';
import { halfOf } from '../sprue/sprueWork';
import type { Sight } from '../stage';
import { handsOn, lifeWait, NO_WAIT, type StageWork } from '../times/stageWork';

/** Bowls mixed one after the other, and the set that waits for nobody. */
export function investWork({ context }: Sight): StageWork[] {
  const { doc, resin, powder, settings } = context;
  const life = castsWax(doc.brief.route) ? null : (resin?.curedLifeDays ?? null);
  const clock = freshClocks(context).find(({ what }) => what === 'cured print');
  return [
    handsOn('invest', 'invest', 'invest', workMinutesOf(settings, 'invest') * (doc.invest.bowls ?? 1), {
      waits: lifeWait(halfOf(life)),
      notAfter: clock?.lapsesAt,
    }),
    {
      key: 'set',
      name: 'set',
      skill: 'invest',
      hours: powder?.setH ?? SET_H,
      attendance: 'none',
      handsMin: 0,
      waits: NO_WAIT,
    },
  ];
}
