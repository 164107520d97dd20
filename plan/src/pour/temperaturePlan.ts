import {
  judgeTemperature,
  MIDDLE_TO_5,
  pourTemperatures,
  type ClassRange,
  type Judgement,
} from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import { figure, stated, type Figure, type Input } from '../figure';
import { known, lacking, missing, type Planned } from '../planned';

export interface TemperaturePlan {
  flaskC: number;
  metalC: number;
  flaskFigure: Figure;
  metalFigure: Figure;
  flask: ClassRange;
  metal: ClassRange;
  judgements: Judgement[];
}

/** A temperature with where it comes from: chosen by hand, or the middle of the alloy's range for the class. */
function temperatureFigure(
  what: 'Flask' | 'Metal',
  chosen: number | undefined,
  range: ClassRange,
  source: string,
): Figure {
  const spec = { name: `${what} temperature`, unit: 'degC' } as const;
  if (chosen !== undefined)
    return stated(spec, {
      symbol: 'T',
      name: what,
      value: chosen,
      unit: 'degC',
      source: 'typed at Pour',
      stage: 'pour',
    });
  const end = (name: string, value: number): Input => ({ name, value, unit: 'degC', source, stage: 'pour' });
  return figure({ ...spec, note: 'The middle of the range, to 5 °C.' }, MIDDLE_TO_5, {
    L: end('Lowest of the range', range.lowC),
    H: end('Highest of the range', range.highC),
  });
}

/** Temperatures of one flask and its metal: by alloy and class, or as chosen; readings are judged against the range. */
export function planTemperatures(
  { alloy, doc }: PourContext,
  { decided }: FlaskContext,
): Planned<TemperaturePlan> {
  if (!alloy) return missing(lacking([alloy, 'the metal', 'brief']));
  const book = pourTemperatures(alloy, doc.brief.castClass);
  const from = `alloy record ${alloy.name}, ${doc.brief.castClass}`;
  const { flaskTempC, metalTempC, flaskRead, metalRead } = decided.pour;
  const flaskFigure = temperatureFigure('Flask', flaskTempC, book.flask, from);
  const metalFigure = temperatureFigure('Metal', metalTempC, book.metal, from);
  const [flaskC, metalC] = [flaskFigure.value, metalFigure.value];
  return known({
    flaskC,
    metalC,
    flaskFigure,
    metalFigure,
    flask: book.flask,
    metal: book.metal,
    judgements: [
      judgeTemperature('flask', readingValue(flaskRead) ?? flaskC, book.flask),
      judgeTemperature('metal', readingValue(metalRead) ?? metalC, book.metal),
    ],
  });
}
