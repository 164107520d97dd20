import {
  judgeTemperature,
  MIDDLE_TO_5,
  ON_PURPOSE,
  pourTemperatures,
  quantity,
  say,
  type ClassRange,
  type Judgement,
} from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import type { FlaskContext, PourContext } from '../context';
import { figure, fromFigure, stated, type Figure, type Input } from '../figure';
import { known, lacking, missing, type Planned } from '../planned';

export interface TemperaturePlan {
  /** As the kiln is to have it. */
  flaskC: number;
  /** … without what is added on purpose: as alloy and class, or somebody here, want it at the metal. */
  wantedFlaskC: number;
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

/** So much hotter or cooler on purpose is more than a way across the yard asks for (shop default). °C */
const OFFSET_MUCH_C = 60;

/** What is set hotter or cooler on purpose, with what for: the intent stays beside the number. */
function withOffset(base: Figure, offsetC: number | undefined, why: string | undefined): Figure {
  if (!offsetC) return base;
  return figure(
    {
      name: base.name,
      unit: 'degC',
      note: `${offsetC > 0 ? '+' : ''}${offsetC} °C on purpose${why ? `: ${why}` : ''}.`,
    },
    ON_PURPOSE,
    {
      T: fromFigure(base, 'pour'),
      w: { name: why ? `On purpose: ${why}` : 'On purpose', value: offsetC, unit: 'degCSpan', source: 'typed at Pour', stage: 'pour' }, // prettier-ignore
    },
  );
}

function judgeOffset(offsetC: number | undefined, why: string | undefined): Judgement[] {
  if (!offsetC) return [];
  const says = say`${quantity(Math.abs(offsetC), 'degCSpan', 0)} ${offsetC > 0 ? 'hotter' : 'cooler'} than alloy and class ask${why ? `, for ${why}` : ''}.`;
  if (Math.abs(offsetC) > OFFSET_MUCH_C)
    return [{ rule: 'flask offset', weight: 'watch', lead: 'Far off on purpose.', why: [...says, ` More than ${OFFSET_MUCH_C} °C is seldom lost on a way.`] }]; // prettier-ignore
  if (!why) return [{ rule: 'flask offset', weight: 'watch', lead: 'What for is not said.', why: says }];
  return [{ rule: 'flask offset', weight: 'ok', lead: 'Set off on purpose.', why: says }];
}

/** Temperatures of one flask and its metal: by alloy and class, or as chosen; readings are judged against the range. */
export function planTemperatures(
  { alloy, doc }: PourContext,
  { decided }: FlaskContext,
): Planned<TemperaturePlan> {
  if (!alloy) return missing(lacking([alloy, 'the metal', 'brief']));
  const book = pourTemperatures(alloy, doc.brief.castClass);
  const from = `alloy record ${alloy.name}, ${doc.brief.castClass}`;
  const { flaskTempC, metalTempC, flaskRead, metalRead, flaskOffsetC, flaskOffsetFor } = decided.pour;
  const wanted = temperatureFigure('Flask', flaskTempC, book.flask, from);
  const flaskFigure = withOffset(wanted, flaskOffsetC, flaskOffsetFor);
  const metalFigure = temperatureFigure('Metal', metalTempC, book.metal, from);
  const [flaskC, metalC] = [flaskFigure.value, metalFigure.value];
  return known({
    flaskC,
    metalC,
    wantedFlaskC: wanted.value,
    flaskFigure,
    metalFigure,
    flask: book.flask,
    metal: book.metal,
    judgements: [
      // What it is set to on purpose is lost on the way: what was read, and what the metal is to meet, are judged.
      judgeTemperature('flask', readingValue(flaskRead) ?? wanted.value, book.flask),
      ...judgeOffset(flaskOffsetC, flaskOffsetFor),
      judgeTemperature('metal', readingValue(metalRead) ?? metalC, book.metal),
    ],
  });
}
