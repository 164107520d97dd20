import { emptyFlask, type Arrangement, type Flask, type HungAt, type PourFlask } from '@zero-pour/contracts';
import {
  formatQuantity,
  type ChosenFlasks,
  type FlaskWish,
  type HungPiece,
  type UnitChoice,
} from '@zero-pour/core';
import type { HangInput } from '@zero-pour/jobs';
import {
  branchMm,
  gapsOf,
  gatesIn,
  hangingParts,
  nameOfPart,
  roomOf,
  valueOf,
  type FlaskPlan,
  type PourPlan,
} from '@zero-pour/plan';

/** Tilts that are tried, besides that of the form. Degrees upward from level; on a branch straight up too. */
const TILTS: Record<Arrangement, readonly number[]> = {
  straight: [],
  rings: [30, 45, 60],
  branches: [60, 90],
};

/** What hanging is asked with: the pieces, the flasks that may take them, the shown one first. */
export interface HangWish {
  input: HangInput;
  /** What each part is called. */
  names: string[];
  /** Pieces of each part, by their names. */
  keys: string[][];
  flasks: Flask[];
}

/** Undefined while something that it needs is missing. `flask`: the one that is shown. */
export function hangWish(
  plan: PourPlan,
  shown: FlaskPlan,
  shopFlasks: readonly Flask[],
  wish: FlaskWish,
): HangWish | undefined {
  const scale = valueOf(plan.scale);
  // Of several flasks the whole pour is shared out anew.
  const pieces =
    wish === 'fewest' ? plan.flasks.flatMap(({ context }) => context.pieces) : shown.context.pieces;
  const whole = wish === 'fewest' ? { ...shown.context, parts: plan.context.parts } : shown.context;
  const gates = gatesIn(whole, plan.gates);
  const flasks = [...new Set([...(shown.context.flask ? [shown.context.flask] : []), ...shopFlasks])];
  if (!scale || gates.length === 0 || flasks.length === 0 || pieces.length === 0) return undefined;
  const keys = gates.map(({ part }) => pieces.filter(({ line }) => line === part.key).map(({ key }) => key));
  const { sprue } = shown.context.decided;
  const byId = new Map(flasks.map((flask) => [flask.id, flask]));
  const candidates = [...byId.values()];
  return {
    keys,
    names: gates.map(({ part }) => nameOfPart(part, plan.context.parts)),
    flasks: candidates,
    input: {
      parts: hangingParts(whole, gates, scale.inFlask.value / 100),
      counts: keys.map((of) => of.length),
      rooms: candidates.map(roomOf),
      wish,
      arrangement: sprue.arrangement,
      mainSprue: {
        diameterMm: sprue.mainSprueDiameterMm,
        lengthMm: sprue.mainSprueLengthMm,
        ...(sprue.arrangement === 'branches' ? { branchDiameterMm: branchMm(sprue) } : {}),
      },
      tiltsDeg: [...new Set([...TILTS[sprue.arrangement], sprue.tiltDeg])],
      gaps: gapsOf(plan.context),
    },
  };
}

const tidy = (value: number): number => Math.round(100 * value) / 100;

/** A flask of the pour as it was hung. */
export interface HungFlask {
  flaskId: string;
  hung: HungAt[];
  mainSprueLengthMm: number | undefined;
}

/** What was found, with the pieces' names: one entry a flask. */
export function hungFlasks({ keys, flasks, input }: HangWish, chosen: ChosenFlasks): HungFlask[] {
  const left = keys.map((of) => [...of]);
  return chosen.trees.map(({ room, tree }) => ({
    flaskId: flasks[room]!.id,
    hung: tree.pieces.map(({ kind, ...at }: HungPiece) => ({
      key: left[kind]!.shift()!,
      angleDeg: tidy(at.angleDeg),
      awayMm: tidy(at.awayMm),
      heightMm: tidy(at.heightMm),
      tiltDeg: tidy(at.tiltDeg),
      spinDeg: at.spinDeg,
      ...(at.onBranch ? { onBranch: true } : {}),
    })),
    // Rounded up, so that the highest gate is still joined to it.
    mainSprueLengthMm: input.arrangement === 'straight' ? undefined : Math.ceil(10 * tree.mainSprueMm) / 10,
  }));
}

/** The pour's flasks with an order shared out over them: the first stay themselves, more are added, none is taken away. */
export function sharedOut(before: readonly PourFlask[], found: readonly HungFlask[]): PourFlask[] {
  const names = new Set(before.map(({ key }) => key));
  let next = 1;
  const fresh = (): string => {
    while (names.has(`f${next}`)) next++;
    names.add(`f${next}`);
    return `f${next}`;
  };
  const like = before[0]!.sprue;
  const made = found.map((of, n): PourFlask => {
    const own = before[n] ?? {
      ...emptyFlask(fresh()),
      sprue: {
        ...emptyFlask('').sprue,
        arrangement: like.arrangement,
        tiltDeg: like.tiltDeg,
        mainSprueDiameterMm: like.mainSprueDiameterMm,
        ...(like.branchDiameterMm === undefined ? {} : { branchDiameterMm: like.branchDiameterMm }),
      },
    };
    return {
      ...own,
      pieces: of.hung.map(({ key }) => key),
      sprue: {
        ...own.sprue,
        flaskId: of.flaskId,
        hung: of.hung,
        ...(of.mainSprueLengthMm === undefined ? {} : { mainSprueLengthMm: of.mainSprueLengthMm }),
      },
    };
  });
  const emptied = before.slice(found.length).map((flask) => ({ ...flask, pieces: [] }));
  return [...made, ...emptied];
}

/** Pieces that are tried at most when a flask is filled: more do not hang in one. */
const FULL_MOST = 60;

/** The same order so many times over, for how many of its mix the flask takes. */
export function fullWish(wish: HangWish): HangWish {
  const all = wish.input.counts.reduce((sum, n) => sum + n, 0);
  const times = Math.max(1, Math.ceil(FULL_MOST / all));
  return { ...wish, input: { ...wish.input, counts: wish.input.counts.map((n) => n * times) } };
}

/** How many of each the flask takes */
export function fullWords(wish: HangWish, chosen: ChosenFlasks, units: UnitChoice): string {
  const [first] = chosen.trees;
  if (!first) return leftWords(wish, chosen, units);
  const hung = wish.input.counts.map((n, kind) => n - first.tree.left[kind]!);
  const all = hung.reduce((sum, n) => sum + n, 0);
  const more = first.tree.left.every((n) => n === 0) ? 'at least ' : '';
  const mix =
    hung.length > 1
      ? `: ${hung.map((n, kind) => `${n} × ${wish.names[kind]}`).join(', ')}, heavier ones first`
      : '';
  return `${wish.flasks[first.room]!.name} takes ${more}${all}${mix}.`;
}

const MISSES = {
  wall: (mm: string) => `${mm} too wide. A wider flask, steeper, or shorter gates.`,
  top: (mm: string) => `${mm} too tall. A taller flask, flatter, or a shorter main sprue.`,
  sprue: (mm: string) => `${mm} too near its sprue. Longer gates, or a thinner sprue.`,
} as const;

/** What of the order found no room, and by how much; empty where all hangs. */
export function leftWords(
  { flasks, input, names }: HangWish,
  chosen: ChosenFlasks,
  units: UnitChoice,
): string {
  const missed = ({ what, mm, room }: NonNullable<ChosenFlasks['miss']>): string => {
    const by = formatQuantity({ value: Math.max(0.1, mm), unit: 'mm', digits: 1 }, units);
    return `In ${flasks[room]!.name} it is ${MISSES[what](by)}`;
  };
  const all = input.counts.reduce((sum, n) => sum + n, 0);
  const left = chosen.left.reduce((sum, n) => sum + n, 0);
  if (left === 0) return '';
  if (chosen.miss) return `Not even one fits. ${missed(chosen.miss)}`;
  const hang = `${all - left} of ${all} hang;`;
  const alone = chosen.cannot.flatMap((miss, kind) =>
    miss ? [`not even one ${names[kind]} fits. ${missed(miss)}`] : [],
  );
  if (alone.length > 0) return `${hang} ${alone.join(' And ')}`;
  return `${hang} ${left} found no room. Take a larger flask, or several.`;
}
