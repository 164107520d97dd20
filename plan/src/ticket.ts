import { pouredAt } from '@zero-pour/contracts';
import { say } from '@zero-pour/core';
import { freshClocks } from './clean/freshClocks';
import type { PourPlan } from './planPour';
import { STAGE_RULES } from './stages';
import {
  ofFlask,
  TICKET_SECTIONS,
  waitingLine,
  wordsLine,
  type TicketLine,
  type TicketPart,
} from './ticketLine';

export interface TicketSection {
  title: string;
  lines: TicketLine[];
}

/** Zero, and what the kiln asks of hands before it. */
function zeroPart({ times }: PourPlan): TicketPart {
  if (times.status !== 'known') return { section: 'Zero', lines: [waitingLine('Pour', times)] };
  const hands = times.value.moments.filter(({ stage }) => stage === 'burnout');
  const lines = hands.map(({ what, at, beforeZero }): TicketLine => ({
    label: what.map((part) => (typeof part === 'string' ? part : String(part.value))).join(''),
    kind: 'moment',
    at,
    ...(beforeZero ? { beforeZero } : {}),
  }));
  return {
    section: 'Zero',
    lines: [{ label: 'Pour', big: true, kind: 'moment', at: times.value.zero }, ...lines],
  };
}

function costPart({ cost, context }: PourPlan): TicketPart {
  const { currency } = context.settings;
  const money = (label: string): string => (currency === '' ? label : `${label}, ${currency}`);
  const held: TicketLine[] = cost.metalHeld
    ? [{ label: money('Metal held'), kind: 'figure', figure: cost.metalHeld }]
    : [];
  return {
    section: 'Cost',
    lines: [
      // Nothing priced is not "costs nothing".
      cost.lines.length > 0
        ? { label: money('All but metal'), kind: 'figure', figure: cost.total }
        : wordsLine(money('All but metal'), say`nothing reckoned yet`),
      ...held,
    ],
  };
}

/** What goes off, and by when it has to be used. */
const keepsPart = ({ context }: PourPlan): TicketPart => ({
  section: 'Keeps',
  lines: freshClocks(context).map(({ before, lapsesAt }): TicketLine => ({
    label: `${before[0][0]!.toUpperCase()}${before[0].slice(1)} ${before[0] === 'print from' ? 'the vat ' : ''}before`,
    kind: 'moment',
    at: lapsesAt,
    lapses: true,
  })),
});

/** Of an old record nothing was set or mixed by a plan: only what came out, and what was read, is told. */
const TOLD_BY_SCRAPS: readonly TicketPart['section'][] = ['Castings', 'Temperatures'];

/** The ticket of a pour: what to do while it is ahead, what was done once it is poured. */
export function writeTicket(plan: PourPlan): TicketSection[] {
  const { context } = plan;
  const ahead = pouredAt(context.doc) === undefined;
  const parts = [
    ...(ahead ? [zeroPart(plan), keepsPart(plan)] : []),
    ...STAGE_RULES.flatMap(({ ticket }) => ticket(plan)),
    ...(ahead ? [costPart(plan)] : []),
  ];
  const sections = context.doc.scrap ? TOLD_BY_SCRAPS : TICKET_SECTIONS;
  return sections
    .flatMap((section) => {
      const own = parts.filter((part) => part.section === section);
      const flasks = [...new Set(own.map(({ flask }) => flask))];
      return flasks.map((flask) => ({
        title: flask === undefined ? section : ofFlask(section, context, flask),
        lines: own.filter((part) => part.flask === flask).flatMap(({ lines }) => lines),
      }));
    })
    .filter(({ lines }) => lines.length > 0);
}
