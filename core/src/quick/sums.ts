/** A metal as quick sums know it. */
export interface QuickMetal {
  name: string;
  densityGPerCm3: number;
  lossPercent: number;
}

/** Units that are turned into their relatives. */
export const CONVERTED = ['degC', 'g', 'mm', 'kPa'] as const;
export type Converted = (typeof CONVERTED)[number];

/** One sum that needs no pour (handbook 09, "Quick sums"); all in core units. */
export type QuickSum =
  | {
      kind: 'slurry';
      diameterMm: number;
      heightMm: number;
      treeMl: number;
      ratio: number;
      /** More than one alike; and boric acid, percent of the powder. */
      flasks?: number;
      boricPercent?: number;
    }
  | { kind: 'metal from weight'; modelG: number; modelGPerMl: number; metal: QuickMetal }
  | { kind: 'metal from volume'; volumeCm3: number; metal: QuickMetal }
  | { kind: 'ring'; diameterMm: number }
  | { kind: 'units'; value: number; unit: Converted }
  | { kind: 'karat'; massG: number; fromCt: number; toCt: number }
  | { kind: 'print'; heightMm: number; layerMm: number; exposureS: number; motionS: number }
  | { kind: 'pour time'; startMin: number; hours: number };
export type QuickKind = QuickSum['kind'];

/** Density of injected and carving wax, g/ml (handbook 06). */
export const WAX_G_PER_ML = 0.95;
/** Water over powder while none is given (*shop default*). */
export const USUAL_RATIO = 0.4;
/** Motion of a layer while none is given, s (*shop default*). */
export const USUAL_MOTION_S = 6;
