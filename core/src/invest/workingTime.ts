import { requireNumber, requirePositive } from '../numeric';
import { bowlTurns, MIX_MIN } from './bowl';

/** Water temperature that powder makers quote working times for, °C. */
export const WORKING_REFERENCE_C = 22;
/** Share of the working time lost per °C above the reference (*shop default*): about 2 min at 27 °C of 9½. */
export const WORKING_LOSS_PER_C = 0.045;

/** A powder's working time at another water than the reference: °C, min. */
export interface WorkingAt {
  waterC: number;
  min: number;
}

/**
 * Minutes from powder meeting water until the slurry must stand still, at a water temperature.
 * Warmer water sets sooner; exponential in temperature, as setting rates are (handbook 07: ~ 9½ min at 22 °C): through the powder's own second figure
 * where it has one, else by the shop default.
 */
export function workingMinutes(minutesAt22C: number, waterTempC: number, other?: WorkingAt): number {
  requireNumber('waterTempC', waterTempC, 1, 60);
  requirePositive('minutesAt22C', minutesAt22C);
  const loss = other ? lossPerC(minutesAt22C, other) : WORKING_LOSS_PER_C;
  return minutesAt22C * Math.exp(-loss * (waterTempC - WORKING_REFERENCE_C));
}

/** By two figures of one powder; two that lie at one temperature, or say that it sets later when warmer, say nothing of it. */
function lossPerC(minutesAt22C: number, { waterC, min }: WorkingAt): number {
  const apart = requireNumber('waterC', waterC, 1, 60) - WORKING_REFERENCE_C;
  const loss = Math.log(minutesAt22C / requirePositive('min', min)) / apart;
  return Math.abs(apart) >= 1 && loss >= 0 ? loss : WORKING_LOSS_PER_C;
}

export interface InvestStep {
  key: string;
  name: string;
  /** Minutes after powder met water at which the step should be over; null for "until done". */
  endsAtMin: number | null;
  note: string;
  /** What being late risks. */
  late: string;
}

/** Investing on the clock that starts when powder meets water (handbook 07, "Mix"), for 9½ working minutes. */
const CLOCK: readonly (Omit<InvestStep, 'endsAtMin'> & { share: number })[] = [
  {
    key: 'mix',
    name: 'Mix',
    share: 3 / 9.5,
    note: 'Powder into water, no lumps, scrape the bowl.',
    late: 'Thick slurry keeps bubbles.',
  },
  {
    key: 'bowl',
    name: 'Vacuum the bowl',
    share: 4.5 / 9.5,
    note: 'Until it rises, falls and boils.',
    late: 'Bubbles stay in the slurry.',
  },
  {
    key: 'pour',
    name: 'Pour down the side',
    share: 5.5 / 9.5,
    note: 'Base of the tree first, never on the patterns.',
    late: 'Water lines on the casting.',
  },
  {
    key: 'flask',
    name: 'Vacuum the flask',
    share: 7 / 9.5,
    note: 'Tap or vibrate while it boils.',
    late: 'Nodules: bubbles stay on the patterns.',
  },
  {
    key: 'top',
    name: 'Top up, label',
    share: 8 / 9.5,
    note: 'Pour number on the flask.',
    late: 'A cold joint near the top.',
  },
  {
    key: 'still',
    name: 'Leave still to gloss-off',
    share: 1,
    note: 'No knock, no tilt.',
    late: 'Moving it now tears the setting plaster: fins.',
  },
];

/**
 * The investing steps with their end times: one flask's stretched to the working time of this slurry; of several from one bowl each is poured and put
 * under vacuum at its turn, by hands that work no faster in warm water.
 */
export function investSteps(
  workingMin: number,
  names: readonly string[] = [],
  flasksAtOnce = 1,
): InvestStep[] {
  requirePositive('workingMin', workingMin);
  const steps = CLOCK.map(({ share, ...step }) => ({ ...step, endsAtMin: share * workingMin }));
  if (names.length < 2) return steps;
  const [mix, bowl, pour, vacuum, top, still] = steps as [InvestStep, ...InvestStep[]] & InvestStep[];
  const turns = bowlTurns(names, flasksAtOnce);
  const of = (step: InvestStep, name: string, endsAtMin: number): InvestStep => ({
    ...step,
    key: `${step.key} ${name}`,
    name: `${step.name}: ${name}`,
    endsAtMin,
  });
  const ofFlasks = turns
    .flatMap((turn) => [of(pour!, turn.name, turn.pouredMin), of(vacuum!, turn.name, turn.vacuumToMin)])
    // One flask is poured while another is under the vacuum.
    .sort((a, b) => a.endsAtMin! - b.endsAtMin!);
  const [{ pourFromMin }] = turns as [(typeof turns)[number]];
  const toppedMin = turns.at(-1)!.vacuumToMin + 1;
  return [
    { ...mix, endsAtMin: MIX_MIN },
    { ...bowl!, endsAtMin: pourFromMin },
    ...ofFlasks,
    { ...top!, endsAtMin: toppedMin },
    { ...still!, endsAtMin: Math.max(workingMin, toppedMin) },
  ];
}
