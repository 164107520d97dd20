import { judgeTemperature, pourTemperatures, type ClassRange, type Judgement } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from './context';
import { figure, formula, type Figure, type Given } from './figure';
import { known, lacking, missing, type Planned } from './planned';

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
  middleC: number,
  range: ClassRange,
  from: string,
): Figure {
  const spec = { name: `${what} temperature`, unit: 'degC' } as const;
  if (chosen !== undefined) {
    const given: Given = {
      symbol: 'T',
      name: what,
      value: chosen,
      unit: 'degC',
      source: 'typed at Pour',
      stage: 'pour',
    };
    return figure({ ...spec, value: chosen }, [given]);
  }
  const end = (symbol: string, name: string, value: number): Given => ({
    symbol,
    name,
    value,
    unit: 'degC',
    source: from,
    stage: 'pour',
  });
  return figure(
    { ...spec, value: middleC, note: 'The middle of the range, to 5 °C.' },
    formula`5 × round((${end('L', 'Lowest of the range', range.lowC)} + ${end('H', 'Highest of the range', range.highC)}) / 10)`,
  );
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
  const flaskC = flaskTempC ?? book.flaskC;
  const metalC = metalTempC ?? book.metalC;
  return known({
    flaskC,
    metalC,
    flaskFigure: temperatureFigure('Flask', flaskTempC, book.flaskC, book.flask, from),
    metalFigure: temperatureFigure('Metal', metalTempC, book.metalC, book.metal, from),
    flask: book.flask,
    metal: book.metal,
    judgements: [
      judgeTemperature('flask', readingValue(flaskRead) ?? flaskC, book.flask),
      judgeTemperature('metal', readingValue(metalRead) ?? metalC, book.metal),
    ],
  });
}
