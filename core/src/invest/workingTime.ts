import { requireNumber, requirePositive } from '../numeric';

/** Water temperature that powder makers quote working times for, °C. */
export const WORKING_REFERENCE_C = 22;
/** Share of the working time lost per °C above the reference (*shop default*): about 2 min at 27 °C of 9½. */
export const WORKING_LOSS_PER_C = 0.045;

/**
 * Minutes from powder meeting water until the slurry must stand still, at a water temperature.
 * Warmer water sets sooner; exponential in temperature, as setting rates are (handbook 07: ~ 9½ min at 22 °C).
 */
export function workingMinutes(minutesAt22C: number, waterTempC: number): number {
  requireNumber('waterTempC', waterTempC, 1, 60);
  const fall = Math.exp(-WORKING_LOSS_PER_C * (waterTempC - WORKING_REFERENCE_C));
  return requirePositive('minutesAt22C', minutesAt22C) * fall;
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

/** The investing steps with their end times, stretched to the working time of this slurry. */
export function investSteps(workingMin: number): InvestStep[] {
  requirePositive('workingMin', workingMin);
  return CLOCK.map(({ share, ...step }) => ({ ...step, endsAtMin: share * workingMin }));
}
