import { workMinutesOf } from '@zero-pour/contracts';
import { castsWax } from '@zero-pour/core';
import type { Sight } from '../stage';
import { handsOn, lifeWait, type StageWork } from '../times/stageWork';

const DAY_MIN = 24 * 60;

/** Trees joined and weighed; cured prints keep for so long only, half of it until here and half until they are invested. */
export function sprueWork({ context }: Sight): StageWork[] {
  const { doc, resin, settings, flasks } = context;
  const life = castsWax(doc.brief.route) ? null : (resin?.curedLifeDays ?? null);
  return [
    handsOn('sprue', 'sprue', 'sprue', workMinutesOf(settings, 'sprue') * flasks.length, {
      breakable: true,
      waits: lifeWait(halfOf(life)),
    }),
  ];
}

/** Half of a print's life, in minutes: its other half is the next stage's. */
export const halfOf = (lifeDays: number | null): number | null =>
  lifeDays === null ? null : (lifeDays * DAY_MIN) / 2;
