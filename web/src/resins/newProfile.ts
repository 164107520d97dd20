import type { Printer, Profile, Resin } from '@zero-pour/contracts';
import type { CastClass } from '@zero-pour/core';
import { itemFrom } from '../shop/bookItems';

/** A profile to overwrite: common figures, marked untested, since none of them was tried on this printer. */
export function newProfile(
  resin: Resin,
  printer: Printer,
  castClass: CastClass,
  existing: readonly Profile[],
): Profile {
  return itemFrom<'profile'>(
    {
      name: `${resin.name} · ${printer.name} · ${castClass}`.slice(0, 110),
      resinId: resin.id,
      printerId: printer.id,
      castClass,
      layerMm: 0.05,
      exposureS: 3,
      baseExposureS: 25,
      baseLayers: 6,
      transitionLayers: 6,
      raftMl: 1.5,
      tested: false,
      provenance: 'common figures, to be overwritten',
      note: '',
    },
    existing,
  );
}
