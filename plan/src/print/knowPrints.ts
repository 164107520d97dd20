import type { PouredPrint, PrintedPlate, Printer, Profile, Resin, ShopLists } from '@zero-pour/contracts';
import {
  castsWax,
  judgeTook,
  learnMotion,
  learnSupports,
  type HeldPlate,
  type LearntMotion,
  type LearntSupports,
  type TimedPrint,
} from '@zero-pour/core';
import { faultsOf } from '../pieces';

/** What the shop's own prints taught: motion by printer and by profile, supports by resin. */
export interface ShopPrints {
  prints: readonly PouredPrint[];
  motion: ReadonlyMap<string, LearntMotion>;
  supports: ReadonlyMap<string, LearntSupports>;
}
export const NOTHING_PRINTED: ShopPrints = { prints: [], motion: new Map(), supports: new Map() };

/** Profiles of one printer lift and rest a little differently: s (shop default). */
const PROFILE_SPREAD_S = 1;

type Timed = PouredPrint & { print: { plate: NonNullable<PouredPrint['print']['plate']> } };
const isStarted = (p: PouredPrint): p is Timed => p.print.plate !== undefined;

/** How long a print took from start to end, s; undefined while it runs, or when it was paused. */
export function tookS({ startedAt, print }: Pick<PouredPrint, 'startedAt' | 'print'>): number | undefined {
  if (!print.finishedAt || (print.pausesMm?.length ?? 0) > 0) return undefined;
  return (Date.parse(print.finishedAt) - Date.parse(startedAt)) / 1000;
}

/** How long it was to take, s: as it was reckoned at its start, else by what the printer's record says. */
export const reckonedS = (plate: PrintedPlate, printer: Pick<Printer, 'motionS'> | undefined): number =>
  plate.hours === undefined ? plate.exposureS + plate.layers * (printer?.motionS ?? 0) : plate.hours * 3600;

/** Hours as the printer said them, else from start to end unless they cannot be, or are odd and nobody said they are right. */
function timed({ startedAt, print }: Timed, printer: Printer): TimedPrint[] {
  const { layers, exposureS } = print.plate;
  if (print.hoursTyped !== undefined) {
    const seconds = print.hoursTyped * 3600;
    return seconds >= exposureS ? [{ layers, exposureS, seconds, exact: true }] : [];
  }
  const seconds = tookS({ startedAt, print });
  if (seconds === undefined) return [];
  const worth = judgeTook(seconds, exposureS, reckonedS(print.plate, printer));
  const teaches = worth === 'usual' || (worth === 'odd' && print.hoursRight === true);
  return teaches ? [{ layers, exposureS, seconds, exact: false }] : [];
}

function measuredPlates(prints: readonly Timed[]) {
  return prints.flatMap(({ print }) => {
    const usedMl = print.resinUsedMl ?? print.resinMlTyped;
    if (usedMl === undefined) return [];
    const { partsMl, raftMl } = print.plate;
    return [{ partsMl, raftMl, usedMl, measured: print.resinUsedMl !== undefined }];
  });
}

/** Learns from every print that was started with its plate reckoned. O(prints · printers). */
export function knowPrints(
  lists: Pick<ShopLists, 'printer' | 'profile' | 'resin'>,
  prints: readonly PouredPrint[],
): ShopPrints {
  const started = prints.filter(isStarted);
  const motion = new Map<string, LearntMotion>();
  for (const printer of lists.printer) {
    const own = started.filter(({ print }) => print.plate.printerId === printer.id);
    const times = own.flatMap((p) => timed(p, printer));
    if (times.length === 0) continue;
    const learnt = learnMotion(times, printer.motionS);
    motion.set(printer.id, learnt);
    for (const profile of lists.profile.filter((p) => p.printerId === printer.id)) {
      const ofProfile = own
        .filter(({ print }) => print.plate.profileId === profile.id)
        .flatMap((p) => timed(p, printer));
      if (ofProfile.length > 0)
        motion.set(profile.id, learnMotion(ofProfile, learnt.motionS, PROFILE_SPREAD_S, learnt.late));
    }
  }
  const supports = new Map<string, LearntSupports>();
  for (const resin of lists.resin) {
    const plates = measuredPlates(started.filter((p) => p.resinId === resin.id));
    if (plates.length > 0) supports.set(resin.id, learnSupports(plates, resin.supportsPercent));
  }
  return { prints, motion, supports };
}

/** A figure with where it comes from: the shop's own prints, or the record of the thing. */
export interface Known {
  value: number;
  source: string;
}
const fromPrints = (n: number, of: string): string => `${n} ${n === 1 ? 'print' : 'prints'} ${of}`;

/** Motion a layer of a profile on its printer, s. */
export function motionOf(
  { motion }: ShopPrints,
  printer: Pick<Printer, 'id' | 'name' | 'motionS'>,
  profile: Pick<Profile, 'id'> | undefined,
): Known {
  const learnt = (profile && motion.get(profile.id)) ?? motion.get(printer.id);
  if (!learnt) return { value: printer.motionS, source: `printer ${printer.name}` };
  return { value: learnt.motionS, source: `learnt from ${fromPrints(learnt.prints, `on ${printer.name}`)}` };
}

/** Supports in percent of the parts. */
export function supportsOf(
  { supports }: ShopPrints,
  resin: Pick<Resin, 'id' | 'name' | 'supportsPercent'>,
): Known {
  const learnt = supports.get(resin.id);
  if (!learnt) return { value: resin.supportsPercent, source: `resin record ${resin.name}` };
  return { value: learnt.percent, source: `learnt from ${fromPrints(learnt.plates, `with ${resin.name}`)}` };
}

/** Plates of this resin on this printer whose load was reckoned, and whether they held. */
export function heldPlates({ prints }: ShopPrints, resinId: string, printerId: string): HeldPlate[] {
  return prints.flatMap(({ resinId: of, print }) => {
    const { plate, pieces } = print;
    const outcomes = Object.values(pieces);
    if (!plate?.load || of !== resinId || plate.printerId !== printerId || outcomes.length === 0) return [];
    return [{ ...plate.load, held: !outcomes.some((piece) => faultsOf(piece).includes('fell from plate')) }];
  });
}

/** Pieces that went through the baths after a moment. */
export const washedSince = ({ prints }: ShopPrints, moment: string): number =>
  prints
    .filter(({ washedAt }) => washedAt !== null && washedAt > moment)
    .reduce(
      (sum, { route, lines, spares }) =>
        sum + lines.reduce((pieces, p) => pieces + (castsWax(route) ? 1 : p.count) + spares, 0),
      0,
    );
