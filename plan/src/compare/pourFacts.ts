import {
  becameOf,
  numbersOf,
  pourDocSchema,
  ranOf,
  readPieceKey,
  SHOP_ITEM_SCHEMAS,
  type PourDoc,
} from '@zero-pour/contracts';
import { flawWords, FLAW_KINDS, type StageKey, type Unit } from '@zero-pour/core';
import type { Figure } from '../figure';
import { castPieces, nameOfPart } from '../pieces';
import { valueOf } from '../planned';
import type { PourPlan } from '../planPour';
import { flawsOf } from '../result/flawedPieces';

/** Something that is so of a pour: a number with its unit, or words. */
export type PourFact = { stage: StageKey; label: string } & (
  { kind: 'number'; value: number; unit: Unit; digits?: number } | { kind: 'words'; words: string }
);
type Facts = Map<string, PourFact>;

const STAGE_OF: Readonly<Record<string, StageKey>> = {
  brief: 'brief',
  resin: 'resin',
  wayUp: 'wayUp',
  scale: 'scale',
  print: 'print',
  clean: 'clean',
  invest: 'invest',
  burnout: 'burnout',
  sprue: 'sprue',
  pour: 'pour',
  result: 'result',
};
/** Numbers of the document that say nothing of how the work was done. */
const NOT_WORK = ['trying', 'statedChange', 'againOf', 'placeMm', 'fromBottleMl'];

function stageOfPath([first, , third]: readonly string[]): StageKey | undefined {
  return STAGE_OF[(first === 'flasks' ? third : first) ?? ''];
}

/** "Limpet drop: ", "flask 2: ": which of several a number is of, by the names that its path steps through. */
function whichOf({ context }: PourPlan, path: readonly string[]): string {
  const parts = context.parts;
  const flask = context.flasks.findIndex(({ decided }) => decided.key === path[1]);
  if (path[0] === 'flasks') return context.flasks.length > 1 ? `flask ${flask + 1}: ` : '';
  for (const step of path.slice(1)) {
    const piece = readPieceKey(step);
    const part = parts.find(({ key }) => key === (piece?.line ?? step));
    if (part && (piece || parts.length > 1))
      return `${nameOfPart(part, parts)}${piece ? ` ${piece.master ? 'master ' : ''}${piece.copy}` : ''}: `;
  }
  return '';
}

/** Every number of its document. */
function typedFacts(plan: PourPlan): [string, PourFact][] {
  return numbersOf(pourDocSchema, plan.context.doc).flatMap(({ path, field, value }) => {
    const stage = stageOfPath(path);
    if (!stage || path.some((step) => NOT_WORK.includes(step))) return [];
    const label = `${whichOf(plan, path)}${field.label}`;
    const { unit, digits } = field;
    return [[path.join('/'), { stage, label, kind: 'number', value, unit, ...(digits === undefined ? {} : { digits }) }] as const]; // prettier-ignore
  }) as [string, PourFact][];
}

const ITEMS = [
  ['resin', 'resin', 'Resin'],
  ['profile', 'resin', 'Profile'],
  ['printer', 'print', 'Printer'],
  ['powder', 'invest', 'Powder'],
  ['kiln', 'burnout', 'Kiln'],
  ['programme', 'burnout', 'Programme'],
  ['alloy', 'brief', 'Metal'],
] as const;

/** What it was made with: by name, and every number of each. */
function itemFacts({ context }: PourPlan): [string, PourFact][] {
  return ITEMS.flatMap(([kind, stage, called]): [string, PourFact][] => {
    const item = context[kind];
    if (!item) return [];
    return [
      [kind, { stage, label: called, kind: 'words', words: item.name }],
      ...numbersOf(SHOP_ITEM_SCHEMAS[kind], item).map(({ path, field: { label, unit, digits }, value }): [string, PourFact] => [
        [kind, ...path].join('/'),
        { stage, label: `${called}: ${label}`, kind: 'number', value, unit, ...(digits === undefined ? {} : { digits }) },
      ]),
    ];
  }); // prettier-ignore
}

const fromFigure = (stage: StageKey, figure: Figure): PourFact => ({
  stage,
  label: figure.name,
  kind: 'number',
  value: figure.value,
  unit: figure.unit,
  ...(figure.digits === undefined ? {} : { digits: figure.digits }),
});

/** Begins the names of what nobody decides: it follows. */
export const WORKED_OUT = 'worked out/';
/** What was worked out of it. */
function workedOut(plan: PourPlan): [string, PourFact][] {
  const [print, mix, burnout] = [valueOf(plan.print), valueOf(plan.mix), valueOf(plan.burnout)];
  const heat = burnout?.burnt?.heat?.reading;
  const of = (name: string, fact: PourFact | undefined): [string, PourFact][] => (fact ? [[WORKED_OUT + name, fact]] : []); // prettier-ignore
  return [
    ...of('percent', valueOf(plan.scale) && fromFigure('scale', valueOf(plan.scale)!.percent)),
    ...of('hours', print && fromFigure('print', print.hours)),
    ...of('powder', mix && fromFigure('invest', mix.powder)),
    ...of('water', mix && fromFigure('invest', mix.water)),
    ...of('kiln', burnout && { stage: 'burnout', label: 'Programme, from kiln in', kind: 'number', value: burnout.curve.totalH, unit: 'h' }), // prettier-ignore
    ...of('core', heat?.status === 'known' ? { stage: 'burnout', label: 'Core above where carbon burns, by the log', kind: 'number', value: heat.value.coreCarbonH, unit: 'h' } : undefined), // prettier-ignore
    ...plan.flasks.flatMap(({ charge, temperatures, context }, n) => {
      const which = plan.flasks.length > 1 ? `flask ${n + 1}: ` : '';
      const named = (stage: StageKey, figure: Figure | undefined) =>
        figure && { ...fromFigure(stage, figure), label: `${which}${figure.name}` };
      const at = context.decided.key;
      return [
        ...of(`charge/${at}`, named('sprue', valueOf(charge)?.total)),
        ...of(`flask/${at}`, named('pour', valueOf(temperatures)?.flaskFigure)),
        ...of(`metal/${at}`, named('pour', valueOf(temperatures)?.metalFigure)),
      ];
    }),
  ];
}

/** What was chosen and told in words. */
function toldFacts({ context }: PourPlan): [string, PourFact][] {
  const { brief, invest, print, flasks, clean }: PourDoc = context.doc;
  const words = (
    key: string,
    stage: StageKey,
    label: string,
    said: string | undefined,
  ): [string, PourFact][] =>
    said === undefined ? [] : [[key, { stage, label, kind: 'words', words: said }]];
  return [
    ...words('route', 'brief', 'Route', brief.route),
    ...words('class', 'brief', 'Class', brief.castClass),
    ...words('finish', 'brief', 'Finish', brief.finish),
    ...words('patterns', 'pattern', 'Castings', context.parts.map((part) => `${nameOfPart(part, context.parts)} ×${part.count}`).join(', ')), // prettier-ignore
    ...words('supports', 'print', 'Supports came', print.supports?.came),
    ...words('boric', 'invest', 'Boric acid', invest.boric.school),
    ...words('water', 'invest', 'Water', invest.waterKind),
    ...Object.entries(clean.steps).flatMap(([key, step]) => words(`left out/${key}`, 'clean', `Cleaning: ${key}`, step.skipped ? 'left out' : undefined)), // prettier-ignore
    ...words('change', 'brief', 'Done differently', brief.statedChange),
    ...flasks.flatMap(({ key, pour }) => [
      ...words(`felt/${key}`, 'pour', 'The flask felt', pour.flaskRead?.state === 'felt' ? pour.flaskRead.felt : undefined), // prettier-ignore
      ...words(`ran/${key}`, 'pour', 'The metal ran', ranOf(pour)),
      ...words(`flux/${key}`, 'pour', 'Flux', pour.flux),
      ...words(`crucible/${key}`, 'pour', 'Crucible', pour.crucible),
      ...words(`quench/${key}`, 'pour', 'In the water', pour.opened?.quench),
      ...words(`tool/${key}`, 'pour', 'Cleared by', pour.opened?.tool),
      ...words(`effort/${key}`, 'pour', 'Clearing was', pour.opened?.effort),
    ]),
  ];
}

/** What came out: how many sellable of those looked at, and how many have each flaw. */
function outcomeFacts({ context }: PourPlan): [string, PourFact][] {
  const looked = castPieces(context).filter(
    ({ key }) => becameOf(context.doc.result.castings[key]) !== undefined,
  );
  if (looked.length === 0) return [];
  const sellable = looked.filter(
    ({ key }) => becameOf(context.doc.result.castings[key]) === 'sellable',
  ).length;
  return [
    [
      'sellable',
      { stage: 'result', label: 'Sellable', kind: 'words', words: `${sellable} of ${looked.length}` },
    ],
    ...FLAW_KINDS.flatMap((kind): [string, PourFact][] => {
      const had = looked.filter(({ key }) => flawsOf(context, key, kind).length > 0).length;
      return [[`flaw/${kind}`, { stage: 'result', label: `With ${flawWords(kind)}`, kind: 'words', words: `${had} of ${looked.length}` }]]; // prettier-ignore
    }),
  ];
}

/** Everything that is so of a pour, by a name that is the same in every pour. */
export const pourFacts = (plan: PourPlan): Facts =>
  new Map([
    ...itemFacts(plan),
    ...toldFacts(plan),
    ...typedFacts(plan),
    ...workedOut(plan),
    ...outcomeFacts(plan),
  ]);
