import { STAGES, type StageKey } from '@zero-pour/core';
import { z } from 'zod';
import { burnoutStageSchema, cleanStageSchema, investStageSchema, printStageSchema } from './making';
import { happeningSchema, resultStageSchema } from './outcome';
import { emptyFlask, FIRST_FLASK, pourFlaskSchema, type PourFlask } from './pourFlask';
import { briefSchema, plannedWeekSchema, resinStageSchema, wayUpSchema } from './planning';
import { scrapSchema } from './scrap';
import { scaleStageSchema } from './sizes';

const STAGE_KEYS = STAGES.map((stage) => stage.key) as [StageKey, ...StageKey[]];
export const stageKeySchema = z.enum(STAGE_KEYS);

export const POUR_FORMAT = 'zero-pour/pour';
export const POUR_VERSION = 2;

/** Everything that is planned and recorded of one pour. Stored as JSON; see docs/decisions/0003. */
export const pourDocSchema = z.strictObject({
  format: z.literal(POUR_FORMAT),
  version: z.literal(POUR_VERSION),
  /** Stages that are left unknown: "I already have the prints". */
  left: z.array(stageKeySchema).max(12),
  brief: briefSchema,
  resin: resinStageSchema,
  wayUp: wayUpSchema,
  scale: scaleStageSchema,
  print: printStageSchema,
  clean: cleanStageSchema,
  /** The bowl that its flasks are filled from. */
  invest: investStageSchema,
  burnout: burnoutStageSchema,
  flasks: z.array(pourFlaskSchema).min(1).max(12),
  result: resultStageSchema,
  happenings: z.array(happeningSchema).max(200),
  /** Absent: it is counted back by itself. */
  plannedWeek: plannedWeekSchema.optional(),
  /** Of a pour that was taken in from an old record. */
  scrap: scrapSchema.optional(),
});
export type PourDoc = z.infer<typeof pourDocSchema>;

/** A new pour: shop defaults, nothing decided. */
export function emptyPourDoc(): PourDoc {
  return {
    format: POUR_FORMAT,
    version: POUR_VERSION,
    left: [],
    brief: { lines: [], castClass: 'standard', sizes: [], finish: 'full', route: 'burn out the print' },
    resin: {},
    wayUp: { lines: {} },
    scale: { way: 'chain', own: {} },
    print: { spares: 0, pieces: {} },
    clean: { steps: {} },
    invest: { boric: { school: 'none', percent: 1 }, steps: {} },
    burnout: { hands: {} },
    flasks: [emptyFlask(FIRST_FLASK)],
    result: { castings: {} },
    happenings: [],
  };
}

/** How many copies of a line are printed above what is wanted of it. */
export const sparesOf = ({ print }: Pick<PourDoc, 'print'>, line: string): number =>
  print.sparesOf?.[line] ?? print.spares;

/** Lines with other patterns in place of theirs: newer versions of them. What is set for a line stays. */
export const withPatterns = (doc: PourDoc, patternIds: ReadonlyMap<string, string>): PourDoc => ({
  ...doc,
  brief: {
    ...doc.brief,
    lines: doc.brief.lines.map((line) => ({
      ...line,
      patternId: patternIds.get(line.key) ?? line.patternId,
    })),
  },
});

/** Keeps the plan of a pour and drops what happened, for "Same again, but …". */
export function repeatPourDoc(doc: PourDoc, number: number, statedChange: string): PourDoc {
  const fresh = emptyPourDoc();
  const { zeroAt: _zero, dueAt: _due, statedChange: _change, trying: _trying, ...brief } = doc.brief;
  const { measured: _measured, printedAs: _printed, ...scale } = doc.scale;
  const { powderId, ratio, boric } = doc.invest;
  const { kilnId, programmeId, segments, loadedAtC } = doc.burnout;
  return {
    ...fresh,
    brief: { ...brief, againOf: number, ...(statedChange ? { statedChange } : {}) },
    resin: doc.resin,
    wayUp: doc.wayUp,
    scale,
    print: { spares: doc.print.spares, ...defined({ sparesOf: doc.print.sparesOf }), pieces: {} },
    invest: { ...fresh.invest, ...defined({ powderId, ratio }), boric },
    burnout: { hands: {}, ...defined({ kilnId, programmeId, segments, loadedAtC }) },
    flasks: doc.flasks.map(repeatFlask),
    result: { ...fresh.result, ...defined({ plan: repeatFinish(doc.result.plan) }) },
  };
}

/** What is planned of finishing, without how parts went together. */
const repeatFinish = (plan: PourDoc['result']['plan']): PourDoc['result']['plan'] =>
  plan && {
    ...plan,
    ...defined({ joined: plan.joined?.map(({ fit: _fit, note: _note, ...joined }) => joined) }),
  };

/** The plan of a flask, without what happened to it. */
function repeatFlask({ key, pieces, sprue, kilnPlace, pour }: PourFlask): PourFlask {
  const { weighedPatternsG: _weighed, doneAt: _sprued, ...planned } = sprue;
  const { flaskTempC, metalTempC, flaskOffsetC, flaskOffsetFor, outMin } = pour;
  return {
    key,
    ...defined({ pieces, kilnPlace }),
    sprue: planned,
    pour: defined({ flaskTempC, metalTempC, flaskOffsetC, flaskOffsetFor, outMin }),
  };
}

function defined<T extends object>(fields: T): { [K in keyof T]?: NonNullable<T[K]> } {
  return Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined)) as never;
}
