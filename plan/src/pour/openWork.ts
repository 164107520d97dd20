import { workMinutesOf } from '@zero-pour/contracts';
import type { Sight } from '../stage';
import { ANY_WAIT, handsOn, type StageWork } from '../times/stageWork';

/** A flask that is broken out may stand for so long before it is: it is cold then. min */
const BROKEN_OUT_LEAST_MIN = 120;
/** … and until when it is opened in water after the wait of its metal is least. min */
const QUENCHED_WITHIN_MIN = 15;

/** Opening the flask after the pour: in water after the metal's own wait, or broken out cold. Nothing while nobody has said how. */
export function openWork({ context: { alloy, settings, flasks } }: Sight): StageWork[] {
  if (!alloy) return [];
  const { divest, quenchWaitMin } = alloy;
  return [
    divest === 'quench'
      ? handsOn('quench', 'quench', 'pour', workMinutesOf(settings, 'quench'), {
          waits: {
            leastMin: quenchWaitMin.least,
            mostMin: Math.max(quenchWaitMin.most, quenchWaitMin.least + QUENCHED_WITHIN_MIN),
          },
        })
      : handsOn('divest', 'break out', 'finish', workMinutesOf(settings, 'divest') * flasks.length, {
          breakable: true,
          waits: { ...ANY_WAIT, leastMin: BROKEN_OUT_LEAST_MIN },
        }),
  ];
}
