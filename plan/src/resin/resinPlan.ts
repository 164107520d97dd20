import { judgeBurnable, judgeProfile, judgeRoute, say, type Judgement } from '@zero-pour/core';
import type { PourContext } from '../context';

export interface ResinPlan {
  judgements: Judgement[];
}

/** What the chosen resin and profile mean for what is wanted. Nothing chosen: nothing to say. */
export function planResin({ doc: { brief }, resin, profile }: PourContext): ResinPlan {
  const judgements = resin ? [...judgeBurnable(resin, brief.route), ...judgeRoute(resin, brief.route)] : [];
  if (!profile) return { judgements };
  judgements.push(...judgeProfile(profile));
  if (!profile.tested)
    judgements.push({
      rule: 'untested',
      weight: 'watch',
      lead: 'Untested here.',
      why: say`From ${profile.provenance || 'nowhere that is written down'}. Print a test before a full plate.`,
    });
  if (profile.castClass !== brief.castClass)
    judgements.push({
      rule: 'class differs',
      weight: 'watch',
      lead: 'Tuned for another class.',
      why: say`The profile is for ${profile.castClass} parts, the brief says ${brief.castClass}.`,
    });
  return { judgements };
}
