import { requireNumber, requirePositive } from '../numeric';
import { formula } from '../working';

export interface PrintProfile {
  layerMm: number;
  exposureS: number;
  baseExposureS: number;
  baseLayers: number;
  /** Layers over which the exposure falls in even steps from base to normal. */
  transitionLayers: number;
  /** Peel, lift and rest a layer, s: the printer's own, learnt. */
  motionS: number;
}

export interface PrintTime {
  layers: number;
  seconds: number;
}

/** Layers that a height needs. Heights come from float coordinates: a thousandth of a layer is not another one. */
export const LAYERS = formula`round up(${'H'} / ${'h'} − 0.001)`;
/** Hours of a plate: every layer's exposure and motion, and what base and transition layers are lit longer. */
export const PLATE_HOURS = formula`(${'L'} × (${'t'} + ${'m'}) + ${'n'} × (${'b'} − ${'t'})) / 3600`;
/** Base layers, with the transition's for as much of one as they are lit: they fall from base to normal in even steps. */
export const BASE_LAYERS = formula`${'B'} + ${'k'} × (1 − (${'k'} + 1) / (2 × (${'K'} + 1)))`;

/** Whole layers of a height; at least one of what is there at all. */
export const layerCount = (heightMm: number, layerMm: number): number =>
  LAYERS.of({ H: requirePositive('heightMm', heightMm), h: requirePositive('layerMm', layerMm) });

/** Base and transition layers that a print of so many layers has: a low one does not reach the end of them. */
export function baseLayersOf(
  layers: number,
  { baseLayers, transitionLayers }: Pick<PrintProfile, 'baseLayers' | 'transitionLayers'>,
): { B: number; k: number; K: number } {
  const B = Math.min(baseLayers, layers);
  return { B, k: Math.min(transitionLayers, layers - B), K: transitionLayers };
}

/**
 * Time of a plate (handbook 04, "Plate"). It takes as long as its tallest part, however many stand beside it.
 */
export function printTime(heightMm: number, profile: PrintProfile): PrintTime {
  const layers = layerCount(heightMm, profile.layerMm);
  const hours = PLATE_HOURS.of({
    L: layers,
    t: profile.exposureS,
    m: requireNumber('motionS', profile.motionS, 0),
    n: BASE_LAYERS.of(baseLayersOf(layers, profile)),
    b: profile.baseExposureS,
  });
  return { layers, seconds: 3600 * hours };
}

/** Exposure of the layer counted from 0 at the plate. */
export function layerExposureS(layer: number, profile: PrintProfile): number {
  const { baseLayers, transitionLayers, baseExposureS, exposureS } = profile;
  if (layer < baseLayers) return baseExposureS;
  const step = layer - baseLayers + 1;
  if (step > transitionLayers) return exposureS;
  return baseExposureS + ((exposureS - baseExposureS) * step) / (transitionLayers + 1);
}
