import { requireNumber } from '../numeric';
import type { HandsOn, Segment } from './programme';
import { ROOM_C } from './kilnLimits';

/** A programme as one asks for it: the resin's maker, the powder's, a wax's. */
export interface AskedProgramme {
  by: string;
  segments: readonly Segment[];
}

/** Where two ask for different things, what each asks, what was taken, and whose need that is. */
export interface ProgrammeConflict {
  stage: string;
  what: 'climb' | 'hold' | 'peak' | 'fall';
  /** °C/h, h or °C; null: as fast as the kiln goes. One that says nothing of it is left out. */
  asks: { by: string; value: number | null }[];
  taken: number | null;
  by: string;
}

export interface Reconciled {
  segments: Segment[];
  conflicts: ProgrammeConflict[];
}

/** Holds of two makers nearer than this are one stage. °C */
const ONE_STAGE_C = 25;
const CEILING = 'the powder’s ceiling';

interface Stage {
  by: string;
  segment: Segment;
  targetC: number;
}
/** A maker's programme about its peak: °C, h. */
interface Parts {
  by: string;
  rising: Stage[];
  peak: Stage;
  peakHoldH: number;
  falling: Stage[];
  /** At the casting temperature, at the end. */
  soak: Segment | undefined;
}

function partsOf({ by, segments }: AskedProgramme): Parts {
  const stages = segments.flatMap((segment): Stage[] =>
    segment.targetC === null ? [] : [{ by, segment, targetC: segment.targetC }],
  );
  const hottest = Math.max(...stages.map(({ targetC }) => targetC));
  const at = stages.findIndex(({ targetC }) => targetC === hottest);
  const last = stages.findLastIndex(({ targetC }) => targetC === hottest);
  return {
    by,
    rising: stages.slice(0, at),
    peak: stages[at]!,
    peakHoldH: stages.slice(at, last + 1).reduce((sum, { segment }) => sum + segment.holdH, 0),
    falling: stages.slice(last + 1),
    soak: segments.findLast(({ targetC }) => targetC === null),
  };
}

/** Stages of several makers side by side, each maker's in its own order: those of two that lie near each other are one. */
function together(lists: readonly (readonly Stage[])[], sign: 1 | -1): Stage[][] {
  const groups: Stage[][] = [];
  const all = lists.flat().sort((a, b) => sign * (a.targetC - b.targetC));
  for (const stage of all) {
    const group = groups.at(-1);
    const near = group && Math.abs(stage.targetC - group[0]!.targetC) <= ONE_STAGE_C;
    if (near && group.every(({ by }) => by !== stage.by)) group.push(stage);
    else groups.push([stage]);
  }
  return groups;
}

/** Slowest climb that a maker asks for anywhere between two temperatures; Infinity: full power; undefined: it does not go there. */
function slowestBetween({ rising, peak }: Parts, fromC: number, toC: number): number | undefined {
  let before = ROOM_C;
  const rates = [...rising, peak].flatMap(({ segment, targetC }) => {
    const overlap = Math.min(targetC, toC) - Math.max(before, fromC);
    before = Math.max(before, targetC);
    return overlap > 1e-9 ? [segment.rampCPerH ?? Infinity] : [];
  });
  return rates.length === 0 ? undefined : Math.min(...rates);
}

const orNull = (rate: number): number | null => (rate === Infinity ? null : rate);

/** What is asked, and the ask that is taken: the least or the greatest. */
interface Ask {
  by: string;
  value: number;
}
const strictest = (asks: readonly Ask[], sign: 1 | -1): Ask =>
  asks.reduce((a, b) => (sign * (b.value - a.value) > 0 ? b : a));

/** Collects what differs. */
class Conflicts {
  readonly found: ProgrammeConflict[] = [];
  add(stage: string, what: ProgrammeConflict['what'], asks: readonly Ask[], taken: Ask): void {
    const values = asks.map(({ value }) => value);
    if (Math.max(...values) - Math.min(...values) < 1e-6 && taken.value === values[0]) return;
    if (values.every((value) => value === Infinity)) return;
    const said = asks.map(({ by, value }) => ({ by, value: orNull(value) }));
    this.found.push({ stage, what, asks: said, taken: orNull(taken.value), by: taken.by });
  }
}

const handsOf = (stages: readonly Stage[]): HandsOn[] => {
  const hands = stages.flatMap(({ segment }) => [...segment.hands]);
  return hands.filter(({ what }, n) => hands.findIndex((other) => other.what === what) === n);
};

/**
 * One programme that keeps what each of several asks (handbook 07): at every temperature the slowest climb, every hold as long as the longest, the
 * hottest peak asked for but not above `ceilingC`, the slowest fall, the longest soak. Each difference is named with what was taken and whose need it is.
 * A stage that only one asks for stays. Throws an InputError without any programme, or for one that heats nothing.
 */
export function reconcileProgrammes(asked: readonly AskedProgramme[], ceilingC: number): Reconciled {
  requireNumber('ceilingC', ceilingC, 200, 1300);
  requireNumber('asked.length', asked.length, 1, 20);
  for (const { segments } of asked)
    requireNumber('segments with a target', segments.filter(({ targetC }) => targetC !== null).length, 1, 30);
  const parts = asked.map(partsOf);
  const conflicts = new Conflicts();
  const peakC = takePeak(parts, ceilingC, conflicts);
  const segments: Segment[] = [];
  let fromC = ROOM_C;
  const climbTo = (targetC: number, stage: string): number | null => {
    const asks = parts.flatMap((part) => {
      const value = slowestBetween(part, fromC, targetC);
      return value === undefined ? [] : [{ by: part.by, value }];
    });
    fromC = targetC;
    if (asks.length === 0) return null;
    const taken = strictest(asks, -1);
    conflicts.add(stage, 'climb', asks, taken);
    return orNull(taken.value);
  };
  for (const group of together(
    parts.map(({ rising }) => rising.filter(({ targetC }) => targetC < peakC - 1)),
    1,
  )) {
    const { lead, holdH } = holdOf(group, parts, conflicts);
    const rampCPerH = climbTo(lead.targetC, lead.segment.name);
    segments.push({ ...lead.segment, rampCPerH, holdH, hands: handsOf(group) });
  }
  const peaks = parts.map(({ peak }) => peak);
  const lead = parts.reduce((a, b) => (b.peakHoldH > a.peakHoldH ? b : a));
  const { name } = lead.peak.segment;
  const rampCPerH = climbTo(peakC, name);
  const holds = parts.map(({ by, peakHoldH }) => ({ by, value: peakHoldH }));
  conflicts.add(name, 'hold', holds, strictest(holds, 1));
  segments.push({
    ...lead.peak.segment,
    rampCPerH,
    targetC: peakC,
    holdH: lead.peakHoldH,
    hands: handsOf(peaks),
  });
  segments.push(...fallOf(parts, peakC, conflicts));
  return { segments, conflicts: conflicts.found };
}

function takePeak(parts: readonly Parts[], ceilingC: number, conflicts: Conflicts): number {
  const asks = parts.map(({ by, peak }) => ({ by, value: peak.targetC }));
  const hottest = strictest(asks, 1);
  const taken = hottest.value > ceilingC ? { by: CEILING, value: ceilingC } : hottest;
  conflicts.add('Peak', 'peak', asks, taken);
  return taken.value;
}

/** The longest hold of a stage; one that does not have the stage asks for none there. */
function holdOf(group: readonly Stage[], parts: readonly Parts[], conflicts: Conflicts) {
  const lead = group.reduce((a, b) => (b.segment.holdH > a.segment.holdH ? b : a));
  const asks = parts.map(({ by }) => ({
    by,
    value: group.find((stage) => stage.by === by)?.segment.holdH ?? 0,
  }));
  conflicts.add(lead.segment.name, 'hold', asks, { by: lead.by, value: lead.segment.holdH });
  return { lead, holdH: lead.segment.holdH };
}

function fallOf(parts: readonly Parts[], peakC: number, conflicts: Conflicts): Segment[] {
  const groups = together(
    parts.map(({ falling }) => falling.filter(({ targetC }) => targetC < peakC)),
    -1,
  );
  const between = groups.map((group) => {
    const { lead, holdH } = holdOf(group, parts, conflicts);
    const slowest = Math.min(...group.map(({ segment }) => segment.rampCPerH ?? Infinity));
    return { ...lead.segment, rampCPerH: orNull(slowest), holdH, hands: handsOf(group) };
  });
  const soaks = parts.flatMap(({ by, soak }) => (soak ? [{ by, soak }] : []));
  const first = soaks[0];
  if (!first) return between;
  const falls = soaks.map(({ by, soak }) => ({ by, value: soak.rampCPerH ?? Infinity }));
  const holds = soaks.map(({ by, soak }) => ({ by, value: soak.holdH }));
  const [fall, hold] = [strictest(falls, -1), strictest(holds, 1)];
  conflicts.add(first.soak.name, 'fall', falls, fall);
  conflicts.add(first.soak.name, 'hold', holds, hold);
  return [...between, { ...first.soak, rampCPerH: orNull(fall.value), holdH: hold.value }];
}
