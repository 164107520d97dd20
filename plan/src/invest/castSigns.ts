import { INVEST_CHECKS, say, sign, type Evidence, type InvestStep } from '@zero-pour/core';
import type { PourDoc } from '@zero-pour/contracts';
import type { PourContext } from '../context';
import { burntResin } from '../givens';
import { valueOf } from '../planned';
import { judgedSigns } from '../result/judgedSigns';
import type { Sight } from '../stage';

const OF_MIX = {
  weighed: 'water ÷ powder off',
  'gloss-off': 'gloss-off out of its time',
  ratio: 'ratio outside the powder’s',
} as const;
/** A step that ends so much after its time is late. min */
const LATE_MIN = 1;
const IS_VACUUM = /^(bowl|flask)/;

/** Vacuum steps by the clock that began with the powder: late, left out, or in time; nothing of what was not pressed. */
function vacuumSigns({ invest }: PourDoc, steps: readonly InvestStep[]): Evidence {
  if (invest.powderInAt === undefined) return {};
  const from = Date.parse(invest.powderInAt);
  const kept = steps
    .filter(({ key }) => IS_VACUUM.test(key))
    .flatMap((step) => {
      const record = invest.steps[step.key];
      return record ? [{ step, record }] : [];
    });
  if (kept.length === 0) return {};
  const leftOut = kept.find(({ record }) => record.skipped);
  const timed = kept.flatMap(({ step, record: { doneAt } }) =>
    doneAt === undefined || step.endsAtMin === null
      ? []
      : [{ name: step.name, lateMin: (Date.parse(doneAt) - from) / 60_000 - step.endsAtMin }],
  );
  const latest = timed.reduce<(typeof timed)[number] | undefined>((a, b) => (a && a.lateMin >= b.lateMin ? a : b), undefined); // prettier-ignore
  return {
    'vacuum step left out': sign(leftOut !== undefined, leftOut ? say`${leftOut.step.name} was left out.` : say`No vacuum step that was noted was left out.`), // prettier-ignore
    ...(latest
      ? { 'vacuum steps late': sign(latest.lateMin > LATE_MIN, latest.lateMin > LATE_MIN ? say`${latest.name} ended ${Math.round(latest.lateMin)} min late.` : say`The vacuum was over in time.`) } // prettier-ignore
      : {}),
  };
}

/** What was looked over before the mix, once any of it was ticked: what then was not ticked was not done. */
function checkSigns({ invest: { checks } }: PourDoc): Evidence {
  if (!checks || Object.keys(checks).length === 0) return {};
  const names = { 'patterns dusted off': 'dusting not noted', 'rim even and clean': 'rim not scraped', 'powder without lumps': 'mix not sieved' } as const; // prettier-ignore
  return Object.fromEntries(
    INVEST_CHECKS.map((check) => [
      names[check],
      sign(
        checks[check] === undefined,
        checks[check] === undefined
          ? say`Of what was looked over before the mix, “${check}” was not ticked.`
          : say`Ticked before the mix: ${check}.`,
      ),
    ]),
  );
}

/** Whether the powder bears what resin does to it; of waxes nothing is asked. */
function gradeSign(context: PourContext): Evidence {
  const { powder } = context;
  const { powderInAt, doneAt } = context.doc.invest;
  // Until it is mixed another may be taken.
  if (!powder || !burntResin(context) || (powderInAt ?? doneAt) === undefined) return {};
  const fits = powder.grade === 'resin';
  return {
    'ordinary powder': sign(!fits, fits ? say`${powder.name} is made for resin.` : say`${powder.name} is not made for resin.`), // prettier-ignore
  };
}

/** What the mix says of castings: by what was weighed, timed and ticked. */
export function investCastSigns({ context, of }: Sight): Evidence {
  const mix = valueOf(of('invest'));
  return {
    ...(mix ? judgedSigns(OF_MIX, mix.judgements) : {}),
    ...(mix ? vacuumSigns(context.doc, mix.steps) : {}),
    ...checkSigns(context.doc),
    ...gradeSign(context),
  };
}
