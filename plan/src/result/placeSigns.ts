import { becameOf, type Flaw } from '@zero-pour/contracts';
import { quantity, say, sign, type Evidence, type FlawKind, type FlawZone } from '@zero-pour/core';
import { findingsOf } from '../pattern/downstream';
import { valueOf } from '../planned';
import { faultsOf, nameOfPart } from '../pieces';
import type { Sight } from '../stage';
import { flawsOf, type FlawedPieces } from './flawedPieces';

type Point = [number, number, number];

/** Zones that are signs by themselves. */
const TELLING = ['far from a gate', 'at a tip', 'at a thick place', 'in a hollow or slot', 'on the rim'] as const; // prettier-ignore
/** Letters are hollows. */
const AS: Partial<Record<FlawZone, FlawZone>> = { 'in lettering': 'in a hollow or slot' };
/** Farther from its nearest gate than this share of the farthest place of the part is far; nearer than the other is at it. */
const FAR = 0.6;
const NEAR = 0.2;
/** Flaws nearer than this share of the part's length are at one place; a weak place of the investment reaches so far. */
const SAME = 0.12;

const away = (a: Point, b: Point): number => Math.hypot(...a.map((v, k) => v - b[k]!));

interface PlacedOn {
  gates: Point[];
  farthestMm: number;
  lengthMm: number;
}

/** Where gates and ends of a line's part are, in its file; undefined for a line that is gone. */
function partOfLine({ context, of }: Sight, line: string): PlacedOn | undefined {
  const gates = of('wayUp').find(({ part }) => part.key === line);
  const part = context.parts.find(({ key }) => key === line);
  if (!part) return undefined;
  const flat = part.pattern.measure.supportPointsMm;
  const ends = Array.from({ length: flat.length / 3 }, (_, n) => flat.slice(3 * n, 3 * n + 3) as Point);
  const placed = (gates?.placed ?? []).map(({ at }) => at as Point);
  const nearest = (point: Point): number => Math.min(...placed.map((gate) => away(gate, point)));
  return {
    gates: placed,
    farthestMm: placed.length > 0 ? Math.max(...ends.map(nearest)) : 0,
    lengthMm: Math.max(...ends.map((end) => away(end, ends[0]!))),
  };
}

/** The zone of a flaw: as it was said, else by how far it is from the gates of the file that it was shown on. */
function zoneOf(flaw: Flaw, on: PlacedOn | undefined, patternId: string): FlawZone | undefined {
  if (flaw.zone) return AS[flaw.zone] ?? flaw.zone;
  // A place on an older file is not a place on this one.
  if (!flaw.placeMm || !on || on.gates.length === 0 || flaw.patternId !== patternId) return undefined;
  const near = Math.min(...on.gates.map((gate) => away(gate, flaw.placeMm!)));
  if (near > FAR * on.farthestMm) return 'far from a gate';
  return near < NEAR * on.farthestMm ? 'at a gate' : undefined;
}

/** Where flaws of a kind are: each zone that tells, once any zone is known. */
function zoneSigns(zones: readonly FlawZone[]): Evidence {
  const told = zones.filter((zone) => zone !== 'all over');
  if (told.length === 0) return {};
  return Object.fromEntries(
    TELLING.map((zone) => {
      const there = told.filter((one) => one === zone).length;
      const isThere = there * 2 >= told.length;
      const others = [...new Set(told.filter((one) => one !== zone))];
      return [zone, sign(isThere, isThere ? say`${there} of ${told.length} are ${zone}.` : say`Found ${others.join(', ')}.`)]; // prettier-ignore
    }),
  );
}

/** Whether every copy of a pattern that was looked at has it at one place; known of two copies or more. */
function sameSign(sight: Sight, { pieces, lines }: FlawedPieces, kind: FlawKind): Evidence {
  const { context } = sight;
  for (const line of lines) {
    const looked = Object.entries(context.doc.result.castings).filter(
      ([key, casting]) => key.startsWith(`${line}/`) && becameOf(casting) !== undefined,
    );
    if (looked.length < 2) continue;
    const having = pieces.filter((piece) => piece.line === line);
    const flaws = having.flatMap(({ key }) => flawsOf(context, key, kind).slice(0, 1));
    if (having.length < looked.length)
      return { 'same place on all': sign(false, say`${having.length} of ${looked.length} castings of one pattern have it.`) }; // prettier-ignore
    const points = flaws.flatMap(({ placeMm }) => (placeMm ? [placeMm] : []));
    const zones = flaws.flatMap(({ zone }) => zone ?? []);
    const on = partOfLine(sight, line);
    if (points.length === flaws.length && on) {
      const apart = Math.max(...points.map((point) => away(point, points[0]!)));
      const isSame = apart <= SAME * on.lengthMm;
      return { 'same place on all': sign(isSame, isSame ? say`All ${having.length} copies have it at one place.` : say`All ${having.length} copies have it, up to ${quantity(apart, 'mm', 0)} apart.`) }; // prettier-ignore
    }
    if (zones.length === flaws.length) {
      const isSame = new Set(zones).size === 1 && zones[0] !== 'all over';
      return { 'same place on all': sign(isSame, say`All ${having.length} copies have it, ${[...new Set(zones)].join(', ')}.`) }; // prettier-ignore
    }
  }
  return {};
}

/** Whether the investment is fragile where these flaws are, as far as the file was read. */
function fragileSign(sight: Sight, { pieces, lines }: FlawedPieces, kind: FlawKind): Evidence {
  const { context } = sight;
  const percent = valueOf(sight.of('scale'))?.percent.value;
  for (const line of lines) {
    const part = context.parts.find(({ key }) => key === line);
    const findings = part && findingsOf(context, part, percent);
    if (!part || !findings) continue;
    const name = nameOfPart(part, context.parts);
    const weak = findings.find(({ rule }) => rule === 'fragile investment');
    if (!weak) return { 'fragile there': sign(false, say`${name}: no wall of investment in it is thin.`) };
    const shown = pieces
      .filter((piece) => piece.line === line)
      .flatMap(({ key }) => flawsOf(context, key, kind))
      .filter(({ patternId }) => patternId === part.pattern.id)
      .flatMap(({ placeMm }) => (placeMm ? [placeMm] : []));
    const on = partOfLine(sight, line)!;
    if (shown.length === 0 || weak.places.length === 0) return { 'fragile there': sign(true, [...say`${name}: `, ...weak.why]) }; // prettier-ignore
    const nearest = Math.min(...shown.map((at) => Math.min(...weak.places.map((place) => away(place.at, at))))); // prettier-ignore
    return {
      'fragile there': sign(nearest <= SAME * on.lengthMm, say`${name}: the nearest thin wall of investment is ${quantity(nearest, 'mm', 1)} from it.`), // prettier-ignore
    };
  }
  return {};
}

/** How these pieces were as prints; nothing where nobody told. */
function printedSign({ context: { doc } }: Sight, { pieces }: FlawedPieces): Evidence {
  const told = pieces.flatMap(({ key, name }) => {
    const piece = doc.print.pieces[key];
    return piece ? [{ name, isFlawed: piece.outcome !== 'good' || faultsOf(piece).length > 0 }] : [];
  });
  if (told.length === 0) return {};
  const flawed = told.filter(({ isFlawed }) => isFlawed);
  return {
    'flawed as printed': sign(
      flawed.length > 0,
      flawed.length > 0
        ? say`${flawed.map(({ name }) => name).join(', ')}: flawed as printed already.`
        : say`Good as printed.`,
    ),
  };
}

/** What the places of flaws of one kind say, and how these pieces were as prints. */
export function placeSigns(sight: Sight, about: FlawedPieces, kind: FlawKind): Evidence {
  const zones = about.pieces.flatMap(({ key, line, pattern }) => {
    const on = partOfLine(sight, line);
    return flawsOf(sight.context, key, kind).flatMap((flaw) => zoneOf(flaw, on, pattern.id) ?? []);
  });
  return {
    ...zoneSigns(zones),
    ...sameSign(sight, about, kind),
    ...fragileSign(sight, about, kind),
    ...printedSign(sight, about),
  };
}
