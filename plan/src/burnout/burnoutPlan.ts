import {
  CASTING_RANGE_C,
  GYPSUM_CEILING_C,
  interruptedBy,
  judgeBurnable,
  judgeFlaskSize,
  judgePaceAsked,
  judgePeak,
  judgeProgramme,
  judgeStood,
  judgeVented,
  programmeCurve,
  type BurnoutLimits,
  type Interruption,
  type Judgement,
  type Phrase,
  type ProgrammeCurve,
  type Segment,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { judgeWayOut } from './outOfKiln';
import { planBurnt, type Burnt } from './burnt';
import { cutsOf, judgeCuts, lastingEvents } from './cuts';
import { stoodH } from '../invest/ofPowder';
import { judgeFlasksLoad, judgeHeat, planHeat, type HeatPlan } from './heatPlan';
import { houseOf } from './houseOf';
import { burnNeeds, decidingWords, judgeWax } from './needs';
import { impossible, known, lacking, missing, type Planned } from '../planned';
import type { TemperaturePlan } from '../pour/temperaturePlan';

export interface BurnoutPlan {
  /** As it goes: with what has befallen it. */
  curve: ProgrammeCurve;
  /** What befell it so far and cooled the kiln. */
  cuts: Interruption[];
  /** Something that cools the kiln is not over: what comes of it nobody knows. */
  lasts: boolean;
  segments: readonly Segment[];
  /** The pour's own edit of the programme. */
  edited: boolean;
  /** What resin and powder ask for. */
  limits: BurnoutLimits;
  /** Whose need decides, where several resins burn in one flask. */
  deciding: Phrase | undefined;
  castingC: number;
  /** The flask under it; undefined while flask or powder is not chosen. */
  heat: HeatPlan | undefined;
  /** What the kiln really did, by its log; undefined without one. */
  burnt: Burnt | undefined;
  judgements: Judgement[];
  /** Of each flask on its way from the kiln to the metal, by its name. */
  wayOut: Map<string, Judgement[]>;
}

function judgeFit(context: PourContext, peakC: number): Judgement[] {
  const { doc, flasks, programme, resin, kiln, alongside } = context;
  const widestMm = Math.max(0, ...flasks.map(({ flask }) => flask?.innerDiameterMm ?? 0));
  return [
    ...[...(resin ? [resin] : []), ...alongside].flatMap((one) => judgeBurnable(one, doc.brief.route)),
    ...(programme ? judgeFlaskSize(widestMm, programme.flaskMaxMm) : []),
    ...(kiln ? judgePeak(peakC, kiln) : []),
  ];
}

/** The kiln's hours of clean-out say nothing more once the core's own are told. */
const unlessOfCore = (ofKiln: Judgement[], ofCore: Judgement[]): Judgement[] =>
  ofCore.some(({ rule }) => rule === 'core clean-out')
    ? ofKiln.filter(({ rule }) => rule !== 'clean-out')
    : ofKiln;

/** The kiln's curve for this pour and what it means for resin and powder (handbook 07). */
export function planBurnout(
  context: PourContext,
  temperatures: TemperaturePlan | undefined,
): Planned<BurnoutPlan> {
  const { doc, programme, kiln, powder } = context;
  const house = houseOf(context);
  if (house) return impossible(`${house.name} burns it out. How, is not known here.`, 'burnout');
  const segments = doc.burnout.segments ?? programme?.segments;
  if (!segments || !kiln || !temperatures) {
    return missing(
      lacking(
        [segments, 'a programme', 'burnout'],
        [kiln, 'a kiln', 'burnout'],
        [temperatures, 'the metal', 'brief'],
      ),
    );
  }
  const castingC = temperatures.flaskC;
  if (castingC < CASTING_RANGE_C[0] || castingC > CASTING_RANGE_C[1])
    return impossible(
      `A flask is cast at ${CASTING_RANGE_C[0]} to ${CASTING_RANGE_C[1]} °C; this one is to be at ${Math.round(castingC)} °C. Look at its temperature, or at the metal’s range.`,
      'pour',
    );
  const asPlanned = programmeCurve(segments, castingC, kiln, doc.burnout.loadedAtC);
  const cuts = cutsOf(doc);
  const lasts = lastingEvents(doc).length > 0;
  const curve = interruptedBy(asPlanned, cuts, kiln);
  const peakC = Math.max(...curve.points.map((p) => p.tempC));
  // Wax runs out before it swells and leaves little to burn: the resin's own limits are the master's, not the flask's.
  const { rampMaxCPerH, cleanOutH, fastAllowed } = burnNeeds(context);
  const limits = { ceilingC: powder?.ceilingC ?? GYPSUM_CEILING_C, rampMaxCPerH, cleanOutH, fastAllowed };
  const heat = planHeat(context, curve);
  // Of a kiln that nobody drives nothing good is said: what is drawn goes on as if it were.
  const ofCore = lasts ? [] : [...judgeHeat(context, heat, castingC), ...judgeFlasksLoad(context, curve)];
  return known({
    heat,
    burnt: planBurnt(context, curve, castingC),
    curve,
    cuts,
    lasts,
    segments,
    limits,
    deciding: decidingWords(context),
    castingC,
    edited: doc.burnout.segments !== undefined,
    wayOut: judgeWayOut(context, curve),
    judgements: [
      ...judgeFit(context, peakC),
      ...judgePaceAsked(asPlanned, kiln),
      ...judgeVented(asPlanned, kiln),
      ...judgeWax(context, segments),
      ...(powder ? judgeStood(stoodH(context), powder.setH) : []),
      ...judgeCuts({ doc, asPlanned, curve, heat }),
      ...unlessOfCore(judgeProgramme(asPlanned, limits), ofCore),
      ...ofCore,
    ],
  });
}

/** Hours that the core was hot enough to burn carbon: by the kiln's log where there is one, else as planned; undefined while neither is reckoned. */
export function coreHours(plan: BurnoutPlan | undefined): { value: number; by: 'log' | 'plan' } | undefined {
  const by = plan?.burnt ? 'log' : 'plan';
  const reading = (plan?.burnt ?? plan)?.heat?.reading;
  return reading?.status === 'known' ? { value: reading.value.coreCarbonH, by } : undefined;
}
