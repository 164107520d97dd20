import { sprueCastSigns } from './castSigns';
import { pouredAt } from '@zero-pour/contracts';
import { quantity, say } from '@zero-pour/core';
import { attempt } from '../attempt';
import type { PourContext } from '../context';
import { beginning } from '../moment';
import { valueOf } from '../planned';
import { QUIET, type HungPlan, type Stage } from '../stage';
import { figureLine, readLine, type TicketLine, type TicketPart } from '../ticketLine';
import { planCharge } from './chargePlan';
import { sprueWork } from './sprueWork';
import { planTree } from './treePlan';

/** What to weigh out for one flask. */
function weighPart({ charge }: HungPlan, flask: number): TicketPart {
  const lines = [figureLine('Metal', charge, (c) => c.total, true)];
  const plan = valueOf(charge);
  if (plan) {
    lines.push(
      { label: 'new / reused', kind: 'pair', figures: [plan.newMetal, plan.reused] },
      { label: 'patterns', kind: 'figure', figure: plan.patterns },
      ...(plan.inFile
        ? [{ label: 'of it sprues in the file', kind: 'figure', figure: plan.inFile } as const]
        : []),
      { label: 'gates and sprue', kind: 'figure', figure: plan.sprues },
      { label: 'button', kind: 'figure', figure: plan.button },
    );
    if (plan.otherWay) lines.push({ label: 'the other way', kind: 'figure', figure: plan.otherWay });
  }
  return { section: 'Weigh', flask, lines };
}

/** What was weighed out, and what came back: the buttons of all flasks are weighed together. */
function weighedPart({ charge }: HungPlan, flask: number, { doc, flasks }: PourContext): TicketPart {
  const grams = (value: number) => say`${quantity(value, 'g', 1)}`;
  const back: TicketLine[] =
    flask === flasks.length - 1 ? [readLine('Back as button', doc.result.buttonBackG, grams)] : [];
  return {
    section: 'Metal',
    flask,
    lines: [
      figureLine('Planned', charge, (c) => c.total),
      readLine('Weighed', flasks[flask]?.decided.pour.chargeRead, grams),
      ...back,
    ],
  };
}

export const sprue: Stage<'sprue'> = {
  ...QUIET,
  castEvidence: sprueCastSigns,
  key: 'sprue',
  plan: ({ context, of }) =>
    context.flasks.map((hung) => {
      const tree = attempt(() => planTree(context, hung, of('wayUp'), valueOf(of('scale'))));
      return { tree, charge: attempt(() => planCharge(context, hung, tree)) };
    }),
  isDone: ({ doc }) => doc.flasks.every(({ sprue: { doneAt } }) => doneAt !== undefined),
  line: ({ context }) =>
    context.flasks.flatMap(({ flask, castings }) => (flask ? `${castings} in ${flask.name}` : [])).join(', '),
  ticket: ({ context, of }) =>
    of('sprue').map((hung, flask) =>
      pouredAt(context.doc) === undefined ? weighPart(hung, flask) : weighedPart(hung, flask, context),
    ),
  work: sprueWork,
  moments: ({ of }, clock) => {
    const gates = of('wayUp')[0]?.gates;
    return beginning(
      'sprue',
      clock?.begins.sprue,
      say`Join sprues`,
      gates && say`${gates.count} × ${quantity(gates.diameterMm, 'mm', 1)} each`,
    );
  },
};
