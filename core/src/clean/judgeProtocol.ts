import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { CleanStep } from './steps';

/** What of a resin decides how it may be washed and cured. */
export interface CleanedResin {
  name: string;
  solidBelowC: number | null;
  floatsInGlycerin: 'yes' | 'no' | 'not known';
  feelUncured: string;
  feelCured: string;
}

/** A room where nobody has measured one, °C (*shop default*). */
const USUAL_ROOM_C = 20;
/** A warm bath for resins that set in the room, °C (*shop default*). */
const WARM_BATH_C = 32;
const ROUGH: readonly CleanStep['motion'][] = ['stirred', 'ultrasonic'];
const isBrittle = (words: string): boolean => /\bbrittle\b/i.test(words);

/** What a protocol should mind of its resin: sets in the room, floats, breaks when stirred (handbook 04, "Clean"). */
export function judgeProtocol(
  resin: CleanedResin,
  steps: readonly CleanStep[],
  roomC: number | undefined,
): Judgement[] {
  return [
    ...judgeWarmWash(resin, steps, roomC),
    ...judgeFloating(resin, steps),
    ...judgeStirring(resin, steps),
  ];
}

function judgeWarmWash(
  { name, solidBelowC }: CleanedResin,
  steps: readonly CleanStep[],
  roomC: number | undefined,
): Judgement[] {
  const room = roomC ?? USUAL_ROOM_C;
  const washes = steps.filter(({ kind }) => kind === 'wash');
  const cool = washes.filter(({ tempC }) => (tempC ?? room) < (solidBelowC ?? -Infinity));
  // One warm bath loosens what a cool one before it left.
  if (solidBelowC === null || cool.length === 0 || cool.length < washes.length) return [];
  return [
    {
      rule: 'warm wash',
      weight: 'watch',
      lead: 'Wash warm.',
      why: say`${name} sets below ${quantity(solidBelowC, 'degC')}; ${cool.map((s) => s.name).join(', ')} at ${roomC === undefined ? 'a usual room’s' : 'the room’s'} ${quantity(room, 'degC')} lets it gel on the print. About ${quantity(WARM_BATH_C, 'degC')} loosens it: stand the closed vessel in warm water, never on a heater or near a flame.`,
    },
  ];
}

function judgeFloating({ name, floatsInGlycerin }: CleanedResin, steps: readonly CleanStep[]): Judgement[] {
  const under = steps.find((step) => step.kind === 'cure' && step.medium === 'glycerin');
  if (!under || floatsInGlycerin !== 'yes') return [];
  return [
    {
      rule: 'floats',
      weight: 'watch',
      lead: 'It floats.',
      why: say`${name} rises in glycerin, and what stands out of it cures tacky: hold it down with a mesh or a small weight in “${under.name}”.`,
    },
  ];
}

function judgeStirring(
  { name, feelUncured, feelCured }: CleanedResin,
  steps: readonly CleanStep[],
): Judgement[] {
  const curedFrom = steps.findIndex((step) => step.kind === 'cure');
  const rough = steps.find((step, i) => {
    const after = curedFrom >= 0 && i > curedFrom;
    return ROUGH.includes(step.motion) && isBrittle(after ? feelCured : feelUncured);
  });
  if (!rough) return [];
  return [
    {
      rule: 'brittle when moved',
      weight: 'watch',
      lead: 'Brittle.',
      why: say`${name} breaks when it is ${rough.motion ?? 'moved'} in “${rough.name}”: move it by hand, or let it lie still.`,
    },
  ];
}
