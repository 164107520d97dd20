/** What a step does to the print; decides its caution and its place in the record. */
export const CLEAN_KINDS = [
  'drip',
  'wash',
  'rinse',
  'dry',
  'look',
  'supports',
  'rest',
  'cure',
  'finish',
] as const;
export type CleanKind = (typeof CLEAN_KINDS)[number];

/** What the print lies in during a step. */
export const CLEAN_MEDIA = ['air', 'alcohol', 'cleaning fluid', 'water', 'glycerin'] as const;
export type CleanMedium = (typeof CLEAN_MEDIA)[number];

/** How it is moved there. */
export const CLEAN_MOTIONS = [
  'still',
  'moved by hand',
  'stirred',
  'ultrasonic',
  'turned now and then',
] as const;
export type CleanMotion = (typeof CLEAN_MOTIONS)[number];

export interface CleanStep {
  key: string;
  kind: CleanKind;
  name: string;
  /** Timed steps have a least and a most; 0 to 0 means "until it is done". */
  minMinutes: number;
  maxMinutes: number;
  /** null: as it comes, or of no matter. */
  medium: CleanMedium | null;
  tempC: number | null;
  motion: CleanMotion | null;
  /** So many times one after the other. */
  times: number;
  /** A reminder to turn or move it again and again while it runs, min. */
  everyMinutes?: number | null | undefined;
  note: string;
}

/** Least hours of a protocol, as the schedule needs them; untimed steps count `untimedMinutes` each. */
export function protocolHours(
  steps: readonly Pick<CleanStep, 'minMinutes' | 'maxMinutes' | 'times'>[],
  untimedMinutes = 10,
): number {
  const minutes = steps.reduce(
    (sum, s) => sum + (s.maxMinutes === 0 ? untimedMinutes : s.minMinutes) * s.times,
    0,
  );
  return minutes / 60;
}

/** Nobody stands by while it drips, rests or lies under the lamp. */
const UNATTENDED: readonly CleanKind[] = ['drip', 'rest', 'cure'];

/** Minutes of a protocol that somebody stands there; untimed steps count `untimedMinutes` each (shop default). */
export const handsOnMinutes = (
  steps: readonly Pick<CleanStep, 'kind' | 'minMinutes' | 'maxMinutes' | 'times'>[],
  untimedMinutes = 10,
): number =>
  60 *
  protocolHours(
    steps.filter(({ kind }) => !UNATTENDED.includes(kind)),
    untimedMinutes,
  );

/** How a recorded time compares with the step's own bounds. */
export function judgeStepTime(
  step: Pick<CleanStep, 'minMinutes' | 'maxMinutes'>,
  minutes: number,
): 'short' | 'kept' | 'long' {
  if (step.maxMinutes === 0) return 'kept';
  // Half a minute of grace either way: nobody stops a bath to the second.
  if (minutes < step.minMinutes - 0.5) return 'short';
  return minutes > step.maxMinutes + 0.5 ? 'long' : 'kept';
}
