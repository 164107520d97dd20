import { MELTS_MOST, quantity, say, sign, type Evidence } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import { valueOf } from '../planned';
import { judgedSigns, worstOf } from '../result/judgedSigns';
import type { FlawedPieces } from '../result/flawedPieces';
import type { Sight } from '../stage';

/** A charge so much under what was planned leaves a small button. */
const SHORT = 0.97;

/** What the tree and its metal say of castings, of the flasks that these pieces hung in. */
export function sprueCastSigns({ context, of }: Sight, { flasks }: FlawedPieces): Evidence {
  const hung = of('sprue');
  return worstOf(
    flasks.map((at): Evidence => {
      const { tree, charge } = hung[at]!;
      const planned = valueOf(charge);
      const weighed = readingValue(context.flasks[at]!.decided.pour.chargeRead);
      // Of lots alone it is known how often the metal was molten; a share that was only planned is no sign.
      const chosen = (context.flasks[at]!.decided.sprue.lots ?? []).flatMap(({ key, massG }) => {
        const lot = massG > 0 ? context.lots.find(({ id }) => id === key) : undefined;
        return lot ? [{ massG, melts: lot.melts }] : [];
      });
      const most = Math.max(...chosen.map(({ melts }) => melts));
      return {
        ...judgedSigns({ air: 'cup faces down' }, valueOf(tree)?.hung?.judgements ?? []),
        ...(chosen.length > 0
          ? { 'metal reused much': sign(most >= MELTS_MOST, say`The metal of it that was molten most often: ${most} times; ${MELTS_MOST} is much.`) } // prettier-ignore
          : {}),
        ...(planned && weighed !== undefined
          ? { 'charge short': sign(weighed < SHORT * planned.total.value, say`${quantity(weighed, 'g', 1)} weighed; ${quantity(planned.total.value, 'g', 1)} planned.`) } // prettier-ignore
          : {}),
      };
    }),
  );
}
