import { quantity, say } from '@zero-pour/core';
import { attemptOr } from '../attempt';
import { QUIET, type Stage } from '../stage';
import { wordsLine } from '../ticketLine';
import { exposureSigns } from './exposureSigns';
import { planResin } from './resinPlan';

export const resin: Stage<'resin'> = {
  ...QUIET,
  key: 'resin',
  plan: ({ context }) => attemptOr({ judgements: [] }, () => planResin(context)),
  isDone: (context) => context.resin !== undefined && context.profile !== undefined,
  line: ({ context }) => context.resin?.name ?? '',
  ticket: ({ context: { profile } }) =>
    profile
      ? [{ section: 'Set', lines: [wordsLine('Exposure', say`${quantity(profile.exposureS, 's')}`)] }]
      : [],
  evidence: exposureSigns,
};
