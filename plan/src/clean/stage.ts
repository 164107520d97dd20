import { cleanCastSigns } from './castSigns';
import { say } from '@zero-pour/core';
import { beginning } from '../moment';
import { QUIET, type Stage } from '../stage';
import { cleaningOf, isOver } from './cleaning';
import { cleanWork } from './cleanWork';
import { cleanSigns } from './cleanSigns';

export const clean: Stage<'clean'> = {
  ...QUIET,
  castEvidence: cleanCastSigns,
  key: 'clean',
  isDone: (context) => {
    if (context.doc.clean.cameClean !== undefined) return true;
    const steps = cleaningOf(context);
    return steps.length > 0 && steps.every(({ record }) => isOver(record));
  },
  line: ({ context }) => {
    if (context.doc.clean.cameClean !== undefined) return 'came clean';
    const steps = cleaningOf(context);
    const over = steps.filter(({ record }) => isOver(record)).length;
    return over > 0 ? `${over} of ${steps.length} steps` : '';
  },
  moments: (_, clock) =>
    beginning('clean', clock?.begins.clean, say`Prints off, wash`, say`by the resin’s protocol`),
  work: cleanWork,
  evidence: cleanSigns,
};
