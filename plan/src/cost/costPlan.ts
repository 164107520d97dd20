import { becameOf, readingValue } from '@zero-pour/contracts';
import {
  castsWax,
  HANDS_COST,
  HOURS_COST,
  MATERIAL_COST,
  METAL_COST,
  PER_GOOD,
  type Formula,
  type StageKey,
} from '@zero-pour/core';
import type { BurnoutPlan } from '../burnout/burnoutPlan';
import type { PourContext } from '../context';
import { figure, fromFigure, sumOf, type Figure, type Input } from '../figure';
import type { MixPlan } from '../invest/mixPlan';
import { castPieces } from '../pieces';
import type { PrintPlan } from '../print/printPlan';
import { finishingTotals, weightBefore } from '../result/finishing';
import { runningCosts } from './runningCosts';
import type { ChargePlan } from '../sprue/chargePlan';

export interface CostPlan {
  /** What costs anything, largest first; parts that are not planned yet cost nothing yet. */
  lines: Figure[];
  /** All but the metal that stays metal. */
  total: Figure;
  /** All of it shared over the good ones: those that are sellable once all that went in are looked at, else those that are wanted. Undefined: none is good, or nothing is reckoned. */
  perGood: Figure | undefined;
  /** How many good ones that is, and whether they were counted. */
  good: { count: number; counted: boolean };
  /** Value of the metal weighed out, once any is. */
  metalHeld: Figure | undefined;
}

const price = (name: string, value: number, source: string, stage: StageKey): Input => ({
  name,
  value,
  unit: 'money',
  source,
  stage,
});
const cost = <S extends string>(name: string, rule: Formula<S>, inputs: Record<S, Input>): Figure =>
  figure({ name, unit: 'money' }, rule, inputs);

/** Figures by symbols of their own: M, or M1, M2 … */
const numbered = (symbol: string, figures: readonly Figure[]) =>
  figures.map((of, i) => ({ ...fromFigure(of), symbol: figures.length > 1 ? `${symbol}${i + 1}` : symbol }));

/** Good castings: those that are sellable once every one is looked at, else as many as are wanted. */
function goodOnes(context: PourContext): CostPlan['good'] {
  const became = castPieces(context).map(({ key }) => becameOf(context.doc.result.castings[key]));
  const counted = became.length > 0 && became.every((one) => one !== undefined);
  return { counted, count: counted ? became.filter((one) => one === 'sellable').length : context.castings };
}

/** Hands, where the shop says what an hour of them costs: its steps as reckoned, and finishing as it was noted. */
function handsCost({ doc, settings }: PourContext, handsMin: number): Figure[] {
  const perHour = settings.routeTimes?.perHandsHour;
  if (!perHour) return [];
  const finishing = Object.values(doc.result.castings).flatMap((casting) => (casting.finishing ?? []).flatMap(({ minutes }) => minutes ?? [])); // prettier-ignore
  const minutes = handsMin + finishing.reduce((a, b) => a + b, 0);
  if (minutes === 0) return [];
  return [
    cost('Hands', HANDS_COST, {
      t: { name: 'Minutes of hands', value: minutes, unit: 'min', source: finishing.length > 0 ? 'steps as reckoned, finishing as noted' : 'steps as reckoned', stage: 'result' }, // prettier-ignore
      p: price('An hour of hands', perHour, 'shop settings', 'brief'),
    }),
  ];
}

/** Metal that finishing took and that did not come back as filings, of the pieces that were weighed before and after. */
function filedOff({ doc }: PourContext, metal: Input): Figure[] {
  const lost = Object.values(doc.result.castings).flatMap((casting) => {
    const { lostG } = finishingTotals(casting.finishing ?? [], weightBefore(casting));
    return lostG !== undefined && lostG > 0 ? [lostG] : [];
  });
  const off = lost.reduce((sum, g) => sum + g, 0);
  const back = readingValue(doc.result.filingsBackG);
  const gone = off - (back ?? 0);
  if (gone <= 0) return [];
  const source =
    back === undefined
      ? 'weights before and after; no filings were weighed'
      : 'weights before and after, less the filings';
  return [
    cost('Metal lost in finishing', METAL_COST, {
      M: { name: 'Filed off and gone', value: gone, unit: 'g', source, stage: 'result' },
      p: metal,
    }),
  ];
}

/** What the pour costs as far as it is planned (handbook 09). */
export function planCost(
  context: PourContext,
  parts: {
    print: PrintPlan | undefined;
    mix: MixPlan | undefined;
    burnout: BurnoutPlan | undefined;
    charges: readonly ChargePlan[];
    /** Minutes of hands that its steps take, as the shop reckons them. */
    handsMin: number;
  },
): CostPlan {
  const { doc, resin, powder, printer, kiln, alloy } = context;
  const { mix, burnout, charges } = parts;
  // Waxes of a mold that is there: nothing is printed for them.
  const print = castsWax(doc.brief.route) && doc.left.includes('print') ? undefined : parts.print;
  const lines: Figure[] = [];
  if (print && resin)
    lines.push(
      cost('Resin', MATERIAL_COST, {
        m: fromFigure(print.resinG),
        p: price('A kilogram of resin', resin.pricePerKg, `resin record ${resin.name}`, 'resin'),
      }),
    );
  if (mix && powder)
    lines.push(
      cost('Powder', MATERIAL_COST, {
        m: fromFigure(mix.powder),
        p: price('A kilogram of powder', powder.pricePerKg, `powder record ${powder.name}`, 'invest'),
      }),
    );
  if (print && printer)
    lines.push(
      cost('Printer', HOURS_COST, {
        t: fromFigure(print.hours),
        p: price('An hour of the printer', printer.costPerH, `printer record ${printer.name}`, 'resin'),
      }),
    );
  if (burnout && kiln)
    lines.push(
      cost('Kiln', HOURS_COST, {
        t: {
          name: 'Hours of the kiln',
          value: burnout.curve.totalH,
          unit: 'h',
          source: 'programme',
          stage: 'burnout',
        },
        p: price('An hour of the kiln', kiln.costPerH, `kiln record ${kiln.name}`, 'burnout'),
      }),
    );
  lines.push(
    ...runningCosts(context, { print, mix, burnout, melts: alloy !== undefined }),
    ...handsCost(context, parts.handsMin),
  );
  const metal = alloy && price('A gram of metal', alloy.pricePerG, `alloy record ${alloy.name}`, 'brief');
  const [first] = charges;
  if (metal && first) {
    const lost = sumOf(
      { name: 'Metal lost', unit: 'g' },
      numbered(
        'L',
        charges.map((c) => c.lost),
      ),
    );
    lines.push(cost('Metal lost', METAL_COST, { M: fromFigure(lost), p: metal }));
  }
  if (metal) lines.push(...filedOff(context, metal));
  const held =
    charges.length > 0 && metal
      ? cost('Metal held', METAL_COST, {
          M: fromFigure(
            sumOf(
              { name: 'Metal', unit: 'g' },
              numbered(
                'M',
                charges.map((c) => c.total),
              ),
            ),
          ),
          p: metal,
        })
      : undefined;
  const paid = lines.filter(({ value }) => value > 0).sort((a, b) => b.value - a.value);
  const total = sumOf(
    { name: 'Cost, all but metal', unit: 'money' },
    paid.map((line) => ({ ...fromFigure(line), symbol: line.name })),
  );
  const good = goodOnes(context);
  return {
    lines: paid,
    total,
    good,
    perGood:
      paid.length > 0 && good.count > 0
        ? cost('A good casting, all but metal', PER_GOOD, {
            C: fromFigure(total),
            n: { name: good.counted ? 'Sellable' : 'Castings wanted', value: good.count, unit: 'count', source: good.counted ? 'counted at Result' : 'brief', stage: good.counted ? 'result' : 'brief' }, // prettier-ignore
          })
        : undefined,
    metalHeld: held && { ...held, note: 'It stays metal: only the melt loss is a cost.' },
  };
}
