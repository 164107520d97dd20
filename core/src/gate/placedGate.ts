import { acrossAxis } from '../solid';
import type { Gates } from './modulus';

type Place = [number, number, number];

/** How a gate comes to be: wax wire joined by hand, drawn into the print, or a support that is kept and dipped in wax. */
export const GATE_MAKINGS = ['wax wire', 'modelled', 'kept support'] as const;
export type GateMaking = (typeof GATE_MAKINGS)[number];

/** A gate where it stands on the part. File's mm and axes; what is left out follows the usual. */
export interface PlacedGate {
  placeMm: Place;
  /** Out of the part. */
  normal: Place;
  /** As it is joined or printed, before dips. */
  section: { widthMm: number; heightMm: number };
  lengthMm?: number | undefined;
  /** Radius of the fillet at the part. */
  flareMm?: number | undefined;
  /** Off square, and to which side of it. */
  leanDeg?: number | undefined;
  towardDeg?: number | undefined;
  making?: GateMaking | undefined;
  /** Times that a kept support is dipped. */
  dips?: number | undefined;
}

/** What one dip in wax adds to a kept support's diameter (*shop default*, handbook 05). mm. */
export const WAX_DIP_MM = 0.3;
/** A gate is short: so many diameters until somebody says (handbook 05: 1 to 2). */
const USUAL_DIAMETERS = 1.5;
/** Radius of the fillet where it meets the part, at least so much of its diameter (handbook 05). */
export const FLARE_SHARE = 0.25;

/** The round bar that freezes as late as one of this section. */
const roundOf = ({ widthMm, heightMm }: PlacedGate['section']): number =>
  (2 * widthMm * heightMm) / (widthMm + heightMm);

/** What metal runs through, as round: with the wax of its dips, where it is a kept support. mm. */
export function gateDiameterMm(gate: PlacedGate, dipMm = WAX_DIP_MM): number {
  const thickerMm = gate.making === 'kept support' ? (gate.dips ?? 0) * dipMm : 0;
  const { widthMm, heightMm } = gate.section;
  return roundOf({ widthMm: widthMm + thickerMm, heightMm: heightMm + thickerMm });
}

export const gateLengthMm = (gate: PlacedGate, dipMm = WAX_DIP_MM): number =>
  gate.lengthMm ?? Math.round(2 * USUAL_DIAMETERS * gateDiameterMm(gate, dipMm)) / 2;

export const gateFlareMm = (gate: PlacedGate, dipMm = WAX_DIP_MM): number =>
  gate.flareMm ?? FLARE_SHARE * gateDiameterMm(gate, dipMm);

/** Where it leaves the part for: square off it, or leaning to a side. Unit vector. */
export function gateDirection({ normal, leanDeg = 0, towardDeg = 0 }: PlacedGate): Place {
  const [lean, toward] = [leanDeg, towardDeg].map((deg) => (deg * Math.PI) / 180) as [number, number];
  const [u, v] = acrossAxis(normal);
  const side = [0, 1, 2].map((k) => Math.cos(toward) * u[k]! + Math.sin(toward) * v[k]!);
  return side.map((s, k) => Math.cos(lean) * normal[k]! + Math.sin(lean) * s) as Place;
}

/** Gates with places as so many alike with their volume: n·D² and n·D²·L are those of all. */
export function gatesTogether(placed: readonly PlacedGate[], dipMm = WAX_DIP_MM): Gates {
  const each = placed.map((gate) => {
    const { widthMm, heightMm } = gate.section;
    const thickerMm = gateDiameterMm(gate, dipMm) - roundOf(gate.section);
    return { area: (widthMm + thickerMm) * (heightMm + thickerMm), length: gateLengthMm(gate, dipMm) };
  });
  const area = each.reduce((sum, one) => sum + one.area, 0);
  const volume = each.reduce((sum, one) => sum + one.area * one.length, 0);
  return {
    count: placed.length,
    diameterMm: placed.length > 0 ? Math.sqrt(area / placed.length) : 0,
    lengthMm: area > 0 ? volume / area : 0,
  };
}
