import { profileName, usualProfile, type Profile, type ShopFields } from '@zero-pour/contracts';
import type { CastClass } from '@zero-pour/core';
import type { TuningThings } from './settings';

/** The version of a profile that stands for a resin on a printer at a layer height for a class. */
export function standingProfile(
  profiles: readonly Profile[],
  { resin, printer, layerMm }: TuningThings,
  castClass: CastClass,
): Profile | undefined {
  return profiles
    .filter((p) => p.resinId === resin.id && p.printerId === printer.id && p.castClass === castClass)
    .filter((p) => p.layerMm === layerMm && !p.replaced)
    .sort((a, b) => b.version - a.version)[0];
}

/** What an accepted exposure brings to a profile. */
export interface AcceptedFigures {
  exposureS: number;
  baseExposureS?: number;
  baseLayers?: number;
  vatC?: number | null;
  raftMm?: number;
  printAddsMm?: number | null;
  tested: boolean;
  /** "4 coupons, 3 Mar, 28 °C". */
  provenance: string;
  foundAt: string;
}

/** The next version of a profile with an accepted exposure; the first when there is none yet. */
export function nextVersion(
  things: TuningThings,
  castClass: CastClass,
  former: Profile | undefined,
  accepted: AcceptedFigures,
): ShopFields<'profile'> {
  const { resin, printer, layerMm } = things;
  const { id: formerId, ...fields } = former ?? {
    ...usualProfile(resin, printer, castClass, layerMm),
    id: null,
  };
  const version = former ? former.version + 1 : 1;
  return {
    ...fields,
    ...accepted,
    name: profileName(resin, printer, castClass, layerMm, version),
    version,
    formerId,
    replaced: false,
  };
}
