import type { BurnEvent, PourDoc } from '@zero-pour/contracts';
import {
  HOUR_MS,
  quantity,
  say,
  type FlaskHeat,
  type HeatRow,
  type Interruption,
  type Judgement,
  type Phrase,
  type ProgrammeCurve,
} from '@zero-pour/core';
import type { HeatPlan } from './heatPlan';

/** What cools the kiln, and how; a controller that stopped with a fault is a kiln without power. */
const COOLS: Partial<Record<BurnEvent, Interruption['kind']>> = {
  'power out': 'power',
  fault: 'power',
  'door open': 'door',
};
/** Silica turns over in here (handbook 07): plaster that was hotter and comes down through it may crack. °C */
const TURNS_OVER_C = 270;
/** Once it was hotter than this it has been through. */
const BEEN_HOT_C = 300;
/** The cold outside goes on into the flask for so long after. h */
const FOLLOWS_H = 1.5;

type Events = NonNullable<PourDoc['burnout']['events']>;
const cooling = (events: Events | undefined): Events => (events ?? []).filter(({ kind }) => COOLS[kind]);

/** What cools the kiln still. */
export const lastingEvents = ({ burnout: { events } }: PourDoc): Events =>
  cooling(events).filter(({ until }) => until === undefined);

/** What befell a burnout and is over, by hours after kiln in. */
export function cutsOf({ burnout: { startedAt, events } }: PourDoc): Interruption[] {
  if (startedAt === undefined) return [];
  const began = Date.parse(startedAt);
  return cooling(events).flatMap(({ kind, at, until }) => {
    const atH = (Date.parse(at) - began) / HOUR_MS;
    return until === undefined || atH < 0
      ? []
      : [{ atH, hours: (Date.parse(until) - Date.parse(at)) / HOUR_MS, kind: COOLS[kind]! }];
  });
}

interface Burning {
  doc: PourDoc;
  asPlanned: ProgrammeCurve;
  curve: ProgrammeCurve;
  heat: HeatPlan | undefined;
}
const watch = (rule: string, weight: Judgement['weight'], lead: string, why: Phrase): Judgement => ({
  rule,
  weight,
  lead,
  why,
});
const LEADS: Record<string, string> = {
  'power out': 'The power was out.',
  fault: 'The controller stopped.',
  'door open': 'The door stood open.',
};

/** What each event did: to the kiln, to the core, and to zero; and what lasts still, of which nothing can be reckoned. */
export function judgeCuts({ doc, asPlanned, curve, heat }: Burning): Judgement[] {
  const { startedAt, events } = doc.burnout;
  const open = lastingEvents(doc);
  if (startedAt === undefined) return [];
  const reading = heat?.reading;
  const known = reading?.status === 'known' ? reading.value : undefined;
  const laterH = curve.totalH - asPlanned.totalH;
  return [
    ...open.map(
      ({ kind }) =>
      watch('event', 'fix', kind === 'door open' ? 'The door is open.' : 'The kiln is not driven.', say`Until it is over nobody knows what the core falls to, nor when it is ready. Say when it is back.`), // prettier-ignore
    ),
    ...cutsOf(doc).map((cut, n) => {
      const { kind } = cooling(events).filter(({ until }) => until !== undefined)[n]!;
      return watch('event', 'watch', LEADS[kind]!, [
        ...say`${quantity(cut.atH, 'h', 1)} after kiln in, for ${quantity(cut.hours * 60, 'min', 0)}: the kiln falls to ${quantity(lowestOf(curve, cut), 'degC')}`,
        ...(known
          ? say`, the core to ${quantity(
              coldest(known, cut, ({ coreC }) => coreC),
              'degC',
            )}.`
          : say`; what the core falls to is not reckoned.`),
      ]);
    }),
    ...(laterH > 1 / 60
      ? [watch('event', 'watch', 'It is ready later.', say`By ${quantity(laterH, 'h', 1)}, as the kiln climbs back and the hold goes on.`)] // prettier-ignore
      : []),
    ...(known && cutsOf(doc).some((cut) => cameDown(known, cut)) ? [CRACKED] : []),
  ];
}

/** What a mold that may have cracked is told. */
export const CRACKED = watch(
  'came down',
  'fix',
  'It came down through where silica turns over.',
  say`The mold was hotter than ${quantity(BEEN_HOT_C, 'degC')} and its rim fell below ${quantity(TURNS_OVER_C, 'degC')}: it may have cracked, and heating it again does not mend that. Expect fins, or a flask that leaks metal; give it up when in doubt.`,
);

const lowestOf = ({ points }: ProgrammeCurve, { atH, hours }: Interruption): number =>
  Math.min(...points.filter(({ h }) => h >= atH - 1e-9 && h <= atH + hours + 1e-9).map(({ tempC }) => tempC));

const within = ({ rows }: FlaskHeat, { atH, hours }: Interruption): HeatRow[] =>
  rows.filter(({ h }) => h >= atH - 0.05 && h <= atH + hours + FOLLOWS_H);
const coldest = (heat: FlaskHeat, cut: Interruption, of: (row: HeatRow) => number): number =>
  Math.min(...within(heat, cut).map(of));

const cameDown = (heat: FlaskHeat, cut: Interruption): boolean =>
  heat.rows.some(({ h, rimC }) => h <= cut.atH && rimC > BEEN_HOT_C) &&
  coldest(heat, cut, ({ rimC }) => rimC) < TURNS_OVER_C;
