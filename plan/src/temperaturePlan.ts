import { judgeTemperature, pourTemperatures, type ClassRange, type Judgement } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import type { PourContext } from './context';
import { known, lacking, missing, type Planned } from './planned';

export interface TemperaturePlan {
  flaskC: number;
  metalC: number;
  flask: ClassRange;
  metal: ClassRange;
  /** Chosen by hand rather than by alloy and class. */
  flaskChosen: boolean;
  metalChosen: boolean;
  judgements: Judgement[];
}

/** Flask and metal temperature: by alloy and class, or as chosen; readings are judged against the range. */
export function planTemperatures({ alloy, doc }: PourContext): Planned<TemperaturePlan> {
  if (!alloy) return missing(lacking([alloy, 'the metal', 'brief']));
  const book = pourTemperatures(alloy, doc.brief.castClass);
  const { flaskTempC, metalTempC, flaskRead, metalRead } = doc.pour;
  const flaskC = flaskTempC ?? book.flaskC;
  const metalC = metalTempC ?? book.metalC;
  return known({
    flaskC,
    metalC,
    flask: book.flask,
    metal: book.metal,
    flaskChosen: flaskTempC !== undefined,
    metalChosen: metalTempC !== undefined,
    judgements: [
      judgeTemperature('flask', readingValue(flaskRead) ?? flaskC, book.flask),
      judgeTemperature('metal', readingValue(metalRead) ?? metalC, book.metal),
    ],
  });
}
