import type { Printer, Profile } from '@zero-pour/contracts';
import { say, type Judgement } from '@zero-pour/core';

/** Events after which an exposure found before has to be checked; a light that was only measured changes nothing. */
const SHIFTING: ReadonlySet<Printer['events'][number]['what']> = new Set([
  'screen changed',
  'lamp changed',
  'film changed',
  're-levelled',
]);

/** The newest printer event that makes a profile doubtful: "check again" (handbook 02, "Printer record"). */
export function doubtfulSince(
  profile: Profile,
  printer: Printer | undefined,
): Printer['events'][number] | undefined {
  if (!printer || profile.foundAt === null) return undefined;
  const found = profile.foundAt;
  return printer.events
    .filter((event) => SHIFTING.has(event.what) && event.at > found)
    .sort((a, b) => b.at.localeCompare(a.at))[0];
}

/** What a pour should know of the profile it uses, besides its figures. */
export function judgeProfileAge(
  profile: Profile,
  printer: Printer | undefined,
  profiles: readonly Profile[],
  formatDay: (iso: string) => string,
): Judgement[] {
  const out: Judgement[] = [];
  const event = doubtfulSince(profile, printer);
  if (event) {
    out.push({
      rule: 'check again',
      weight: 'watch',
      lead: 'Check again.',
      why: say`${event.what[0]!.toUpperCase()}${event.what.slice(1)} ${formatDay(event.at)}, after this exposure was found. Print one coupon.`,
    });
  }
  const newer = profiles.find((other) => other.formerId === profile.id);
  if (newer) {
    out.push({
      rule: 'newer version',
      weight: 'watch',
      lead: `Version ${newer.version} is out.`,
      why: say`${newer.exposureS} s instead of ${profile.exposureS} s: ${newer.provenance || 'no reason noted'}.`,
    });
  }
  return out;
}
