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

export interface CleanStep {
  key: string;
  kind: CleanKind;
  name: string;
  /** Timed steps have a least and a most; 0 to 0 means "until it is done". */
  minMinutes: number;
  maxMinutes: number;
  note: string;
}

const step = (
  key: string,
  kind: CleanKind,
  name: string,
  minMinutes: number,
  maxMinutes: number,
  note = '',
) => ({
  key,
  kind,
  name,
  minMinutes,
  maxMinutes,
  note,
});

/** The usual two-bath protocol of handbook 04, "Clean"; a resin's own record replaces it. */
export const USUAL_PROTOCOL: readonly CleanStep[] = [
  step('drip', 'drip', 'Let it drip', 5, 10, 'Plate tilted over the vat.'),
  step('bath1', 'wash', 'Alcohol bath 1', 3, 4, 'Dirty bath first.'),
  step('bath2', 'wash', 'Alcohol bath 2', 2, 3, 'Clean bath. More than 10 min in all softens many resins.'),
  step('air', 'dry', 'Blow dry, cool air', 2, 10),
  step('look', 'look', 'Look at the skin', 0, 0, 'Wet or glossy where it should be dull: back to the bath.'),
  step(
    'supports',
    'supports',
    'Take the supports off',
    0,
    0,
    'Small bites, leave a stub; look again where they stood.',
  ),
  step('rest', 'rest', 'Rest until no alcohol smell', 30, 120),
  step('cure', 'cure', 'Cure', 10, 20, 'Turn it now and then.'),
  step(
    'mend',
    'finish',
    'Fill pits, sand marks, dust off',
    0,
    0,
    'What sticks to the pattern comes out in the metal.',
  ),
];

/** Least hours of a protocol, as the schedule needs them; untimed steps count `untimedMinutes` each. */
export function protocolHours(steps: readonly CleanStep[], untimedMinutes = 10): number {
  const minutes = steps.reduce((sum, s) => sum + (s.maxMinutes === 0 ? untimedMinutes : s.minMinutes), 0);
  return minutes / 60;
}

/** How a recorded time compares with the step's own bounds. */
export function judgeStepTime(step: CleanStep, minutes: number): 'short' | 'kept' | 'long' {
  if (step.maxMinutes === 0) return 'kept';
  // Half a minute of grace either way: nobody stops a bath to the second.
  if (minutes < step.minMinutes - 0.5) return 'short';
  return minutes > step.maxMinutes + 0.5 ? 'long' : 'kept';
}
