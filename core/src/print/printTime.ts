import { requireNumber, requirePositive } from '../numeric';

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

/** Layers that a height needs; a height that is a whole number of layers gets no extra one. */
export function layerCount(heightMm: number, layerMm: number): number {
  // Heights come from float coordinates: a thousandth of a layer is not another layer.
  return Math.ceil(requirePositive('heightMm', heightMm) / requirePositive('layerMm', layerMm) - 1e-3);
}

/**
 * Hours of a plate: Σ over layers of exposure + motion, with base and transition layers (handbook 04, "Plate").
 * The plate takes as long as its tallest part, however many stand beside it. O(layers).
 */
export function printTime(heightMm: number, profile: PrintProfile): PrintTime {
  const layers = layerCount(heightMm, profile.layerMm);
  requireNumber('motionS', profile.motionS, 0);
  let seconds = layers * profile.motionS;
  for (let layer = 0; layer < layers; layer++) seconds += layerExposureS(layer, profile);
  return { layers, seconds };
}

/** Exposure of the layer counted from 0 at the plate. */
export function layerExposureS(layer: number, profile: PrintProfile): number {
  const { baseLayers, transitionLayers, baseExposureS, exposureS } = profile;
  if (layer < baseLayers) return baseExposureS;
  const step = layer - baseLayers + 1;
  if (step > transitionLayers) return exposureS;
  return baseExposureS + ((exposureS - baseExposureS) * step) / (transitionLayers + 1);
}
