import { countOutcomes, quantity, say, type Phrase, type StageKey } from '@zero-pour/core';
import { pouredAt, type Reading } from '@zero-pour/contracts';
import { freshClocks } from './clean/freshClocks';
import { figure, formula, fromFigure, type Figure, type Given } from './figure';
import { valueOf, type Need, type Planned } from './planned';
import { castPieces } from './pieces';
import type { FlaskPlan, PourPlan } from './planPour';

/** A line of the ticket: a figure that opens its working, plain words, a moment, a reading, or what is needed first. */
export type TicketLine = { label: string; big?: boolean } & (
  | { kind: 'figure'; figure: Figure }
  | { kind: 'words'; words: Phrase; guessed?: boolean }
  | { kind: 'pair'; figures: readonly [Figure, Figure] }
  | { kind: 'moment'; at: number; beforeZero?: Figure; lapses?: boolean }
  | { kind: 'needs'; needs: Need[] }
  | { kind: 'impossible'; reason: string; stage: StageKey }
);

export interface TicketSection {
  title: string;
  lines: TicketLine[];
}

function figureLine<T>(
  label: string,
  planned: Planned<T>,
  pick: (value: T) => Figure,
  big = false,
): TicketLine {
  switch (planned.status) {
    case 'known':
      return { label, big, kind: 'figure', figure: pick(planned.value) };
    case 'missing':
      return { label, kind: 'needs', needs: planned.needs };
    case 'impossible':
      return { label, kind: 'impossible', reason: planned.reason, stage: planned.stage };
    case 'working':
      return words(label, say`${planned.what} …`);
    case 'failed':
      return words(label, say`${planned.reason}`);
  }
}

const words = (label: string, phrase: Phrase, guessed = false): TicketLine => ({
  label,
  kind: 'words',
  words: phrase,
  guessed,
});
const g = (value: number) => quantity(value, 'g', 1);
const degC = (value: number) => quantity(value, 'degC');

function zeroSection(plan: PourPlan): TicketSection {
  if (plan.times.status !== 'known') {
    return { title: 'Zero', lines: [figureLine('Pour', plan.times, () => { throw new Error('unreachable'); })] }; // prettier-ignore
  }
  const times = plan.times.value;
  const lines: TicketLine[] = [{ label: 'Pour', big: true, kind: 'moment', at: times.zero }];
  for (const moment of times.moments) {
    if (moment.stage !== 'burnout') continue;
    const text = moment.what.map((part) => (typeof part === 'string' ? part : String(part.value))).join('');
    lines.push({
      label: text,
      kind: 'moment',
      at: moment.at,
      ...(moment.beforeZero ? { beforeZero: moment.beforeZero } : {}),
    });
  }
  return { title: 'Zero', lines };
}

/** A section of one flask; where there are several, it says of which. */
const titleOf = (title: string, { flasks }: PourPlan, flask: FlaskPlan): string =>
  flasks.length > 1 ? `${title}, flask ${flasks.indexOf(flask) + 1}` : title;

function weighSection(plan: PourPlan, flask: FlaskPlan): TicketSection {
  const { charge } = flask;
  const lines = [figureLine('Metal', charge, (c) => c.total, true)];
  const c = valueOf(charge);
  if (c) {
    lines.push(
      { label: 'new / reused', kind: 'pair', figures: [c.newMetal, c.reused] },
      { label: 'patterns', kind: 'figure', figure: c.patterns },
      { label: 'gates and sprue', kind: 'figure', figure: c.sprues },
      { label: 'button', kind: 'figure', figure: c.button },
    );
    if (c.otherWay) lines.push({ label: 'the other way', kind: 'figure', figure: c.otherWay });
  }
  return { title: titleOf('Weigh', plan, flask), lines };
}

function mixSection({ mix }: PourPlan): TicketSection {
  const m = valueOf(mix);
  const water = m ? `Water ${m.ratio.toFixed(2)}` : 'Water';
  return {
    title: 'Mix',
    lines: [
      figureLine('Powder', mix, (v) => v.powder),
      ...(m
        ? [
            figureLine(water, mix, (v) => v.water),
            m.boric
              ? figureLine('Boric acid', mix, (v) => v.boric ?? v.water)
              : words('Boric acid', say`none`),
          ]
        : []),
    ],
  };
}

function setSection(plan: PourPlan): TicketSection {
  const { profile } = plan.context;
  const scale = valueOf(plan.scale);
  const print = valueOf(plan.print);
  const lines: TicketLine[] = [];
  if (profile) lines.push(words('Exposure', say`${quantity(profile.exposureS, 's')}`));
  lines.push(figureLine('Scale', plan.scale, (s) => s.percent));
  if (scale?.printMm) lines.push({ label: scale.printMm.name, kind: 'figure', figure: scale.printMm });
  if (print) {
    lines.push({ label: 'Print time', kind: 'figure', figure: print.hours });
    lines.push({ label: 'Resin', kind: 'figure', figure: print.resinG });
  }
  for (const flask of plan.flasks) {
    const temperatures = valueOf(flask.temperatures);
    if (!temperatures) continue;
    const { flaskFigure, metalFigure } = temperatures;
    lines.push({
      label: titleOf('Flask / metal', plan, flask),
      kind: 'pair',
      figures: [flaskFigure, metalFigure],
    });
  }
  return { title: 'Set', lines };
}

function costSection({ cost, context, flasks }: PourPlan): TicketSection {
  const currency = context.settings.currency;
  const money = (label: string): string => (currency === '' ? label : `${label}, ${currency}`);
  const parts: Given[] = cost.lines
    .filter((line) => line.amount > 0)
    .map((line) => ({
      symbol: line.what,
      name: line.what,
      value: line.amount,
      unit: 'money',
      source: 'prices of the shop',
    }));
  const total = figure(
    { name: 'Cost, all but metal', value: cost.total, unit: 'money' },
    parts.flatMap((part, i) => (i === 0 ? [part] : [' + ', part])),
  );
  const lines: TicketLine[] = [{ label: money('All but metal'), kind: 'figure', figure: total }];
  const charges = flasks.flatMap(({ charge }) => valueOf(charge)?.total ?? []);
  if (charges.length > 0 && context.alloy) {
    const price: Given = {
      symbol: 'p',
      name: 'Price a gram',
      value: context.alloy.pricePerG,
      unit: 'money',
      source: `alloy record ${context.alloy.name}`,
      stage: 'brief',
    };
    const held = figure(
      {
        name: 'Metal held',
        value: cost.metalHeld,
        unit: 'money',
        note: 'It stays metal: only the melt loss is a cost.',
      },
      charges.flatMap((total, i) => [
        ...(i === 0 ? [] : [' + ']),
        ...formula`${fromFigure(charges.length > 1 ? `M${i + 1}` : 'M', total)} × ${price}`,
      ]),
    );
    lines.push({ label: money('Metal held'), kind: 'figure', figure: held });
  }
  return { title: 'Cost', lines };
}

/** What goes off, and by when it has to be used. */
function keepsSection({ context }: PourPlan): TicketSection[] {
  const lines = freshClocks(context).map(({ before, lapsesAt }): TicketLine => ({
    label: `${before[0][0]!.toUpperCase()}${before[0].slice(1)} ${before[0] === 'print from' ? 'the vat ' : ''}before`,
    kind: 'moment',
    at: lapsesAt,
    lapses: true,
  }));
  return lines.length > 0 ? [{ title: 'Keeps', lines }] : [];
}

/** What to weigh, mix, set and when: the ticket of a pour that is still ahead. */
function planTicket(plan: PourPlan): TicketSection[] {
  return [
    zeroSection(plan),
    ...keepsSection(plan),
    ...plan.flasks.map((flask) => weighSection(plan, flask)),
    mixSection(plan),
    setSection(plan),
    costSection(plan),
  ];
}

function readingWords(
  reading: Reading | undefined,
  show: (value: number) => Phrase,
): { phrase: Phrase; guessed: boolean } {
  if (!reading || reading.state === 'not measured') return { phrase: say`not measured`, guessed: false };
  if (reading.state === 'felt') return { phrase: say`felt ${reading.felt}`, guessed: true };
  return { phrase: show(reading.value), guessed: reading.state === 'guessed' };
}

/** The ticket once poured: planned against done. */
function pouredTicket(plan: PourPlan): TicketSection[] {
  const { doc } = plan.context;
  const count = countOutcomes(castPieces(plan.context).map(({ key }) => doc.result.castings[key]?.outcome));
  const read = (label: string, reading: Reading | undefined, show: (value: number) => Phrase): TicketLine => {
    const { phrase, guessed } = readingWords(reading, show);
    return words(label, phrase, guessed);
  };
  return [
    {
      title: 'Castings',
      lines: [
        words('Sellable', say`${count.sellable} of ${count.total}`),
        words('Repairable', say`${count.repairable}`),
        words('Scrap', say`${count.scrap}`),
      ],
    },
    ...plan.flasks.map((flask): TicketSection => ({
      title: titleOf('Metal', plan, flask),
      lines: [
        figureLine('Planned', flask.charge, (c) => c.total),
        read('Weighed', flask.context.decided.pour.chargeRead, (v) => say`${g(v)}`),
        // The buttons of all flasks are weighed together.
        ...(flask === plan.flasks.at(-1)
          ? [read('Back as button', doc.result.buttonBackG, (v) => say`${g(v)}`)]
          : []),
      ],
    })),
    ...plan.flasks.map((flask): TicketSection => {
      const { flaskRead, metalRead, vacuumKpa } = flask.context.decided.pour;
      return {
        title: titleOf('Temperatures', plan, flask),
        lines: [
          read('Flask', flaskRead, (v) => say`${degC(v)}`),
          read('Metal', metalRead, (v) => say`${degC(v)}`),
          read('Vacuum', vacuumKpa, (v) => say`${quantity(v, 'kPa')}`),
        ],
      };
    }),
    mixSection(plan),
    setSection(plan),
  ];
}

/** The ticket of a pour: what to do while it is ahead, what was done once it is poured. */
export function writeTicket(plan: PourPlan): TicketSection[] {
  return pouredAt(plan.context.doc) === undefined ? planTicket(plan) : pouredTicket(plan);
}
