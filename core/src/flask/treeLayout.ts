import { requirePositive } from '../numeric';

/** One kind of pattern on the tree, as its bounding cylinder along the gate. */
export interface TreePart {
  count: number;
  cylinderDiameterMm: number;
  cylinderLengthMm: number;
  gateLengthMm: number;
}

export interface TreeForm {
  /** 'straight': up to four parts upright on the base. 'rings': parts round a main sprue, tilted upward. */
  arrangement: 'straight' | 'rings';
  tiltDeg: number;
  mainSprueDiameterMm: number;
  mainSprueLengthMm: number;
  /** Height of the sprue base's cone inside the flask. */
  coneHeightMm: number;
  /** Least gap between patterns. */
  betweenMm: number;
}

export interface TreeLayout {
  /** Furthest any bounding cylinder reaches from the flask's axis. */
  reachMm: number;
  /** Top of the tree above the flask's base. */
  heightMm: number;
  rings: number;
  perRing: number;
  /** Main sprue needed for the rings, from the cone's top. */
  sprueNeededMm: number;
  /** Smallest gap between neighbours of a ring; null with one part. */
  gapMm: number | null;
}

/** Parts at most that stand straight on a base (handbook 05). */
export const STRAIGHT_MAX = 4;

interface Envelope {
  diameter: number;
  length: number;
  gate: number;
  count: number;
}

/** The largest part stands for all: the layout is safe, not tight. */
function envelope(parts: readonly TreePart[]): Envelope {
  return {
    diameter: Math.max(...parts.map((p) => requirePositive('cylinderDiameterMm', p.cylinderDiameterMm))),
    length: Math.max(...parts.map((p) => requirePositive('cylinderLengthMm', p.cylinderLengthMm))),
    gate: Math.max(...parts.map((p) => p.gateLengthMm)),
    count: parts.reduce((sum, p) => sum + p.count, 0),
  };
}

/** Chord between neighbours less a part's width, on a circle of `radius`. */
const gapOnCircle = (radius: number, count: number, diameter: number): number | null =>
  count < 2 ? null : 2 * radius * Math.sin(Math.PI / count) - diameter;

function straightLayout(part: Envelope, form: TreeForm): TreeLayout {
  const radius =
    part.count === 1 ? 0 : (part.diameter + form.betweenMm) / (2 * Math.sin(Math.PI / part.count));
  return {
    reachMm: radius + part.diameter / 2,
    heightMm: form.coneHeightMm + form.mainSprueLengthMm + part.gate + part.length,
    rings: 1,
    perRing: part.count,
    sprueNeededMm: form.mainSprueLengthMm,
    gapMm: gapOnCircle(radius, part.count, part.diameter),
  };
}

/** Rings of tilted cylinders: reach, rise and pitch from the corners of the cylinder's outline. */
function ringsLayout(part: Envelope, form: TreeForm): TreeLayout {
  const tilt = (form.tiltDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const root = form.mainSprueDiameterMm / 2;
  const reachMm = root + (part.gate + part.length) * cos + (part.diameter / 2) * sin;
  const middle = root + (part.gate + part.length / 2) * cos;
  const halfAngle = Math.asin(Math.min(1, (part.diameter + form.betweenMm) / (2 * middle)));
  const places = Math.max(1, Math.floor(Math.PI / halfAngle + 1e-9));
  const perRing = Math.min(part.count, places);
  const rings = Math.ceil(part.count / perRing);
  const rise = (part.gate + part.length) * sin + (part.diameter / 2) * cos;
  const drop = Math.max(0, (part.diameter / 2) * cos - part.gate * sin);
  const pitch = (part.diameter + form.betweenMm) / Math.max(cos, 0.2);
  const sprueNeededMm = drop + pitch * (rings - 1) + form.mainSprueDiameterMm / 2;
  return {
    reachMm,
    heightMm: form.coneHeightMm + Math.max(form.mainSprueLengthMm, drop + pitch * (rings - 1) + rise),
    rings,
    perRing,
    sprueNeededMm,
    gapMm: gapOnCircle(middle, perRing, part.diameter),
  };
}

/**
 * Lays out a tree of bounding cylinders (handbook 05, "Flask and tree"). The largest part stands for all, so
 * the clearances are lower bounds; real geometry can only do better.
 */
export function layOutTree(parts: readonly TreePart[], form: TreeForm): TreeLayout {
  const part = envelope(parts);
  return form.arrangement === 'straight' ? straightLayout(part, form) : ringsLayout(part, form);
}
