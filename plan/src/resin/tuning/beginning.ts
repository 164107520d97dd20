import {
  usualProfile,
  type Profile,
  type RecordLists,
  type ShopFields,
  type ShopLists,
} from '@zero-pour/contracts';
import { startingFigures, type CastClass, type RefusedFigure, type StartingFigure } from '@zero-pour/core';
import { standingProfile } from './profileFrom';
import { curveOf, reportsOf, wantedSetting, type TuningThings } from './settings';

/** Where nobody has told a figure: common to most printers, and said as no more than that. */
export const COMMON_FIGURES = { exposureS: 3, baseExposureS: 25, baseLayers: 6 };

/** Layers where none are chosen, mm (*shop default*). */
export const USUAL_LAYER_MM = 0.05;

export interface BaseFigures {
  baseExposureS: number;
  baseLayers: number;
}

/** Base seconds and layers that the maker, or else another user, gives for this printer, or for any of its light. */
export function toldBase({ resin, printer }: TuningThings): BaseFigures | undefined {
  const near = (r: (typeof resin.reported)[number]): number =>
    (r.printerId === printer.id ? 0 : 2) + (r.from === 'maker' ? 0 : 1);
  const [told] = resin.reported
    .filter(
      (r) => r.printerId === printer.id || (r.printerId === null && r.wavelengthNm === printer.wavelengthNm),
    )
    .filter((r) => r.baseExposureS !== null)
    .sort((a, b) => near(a) - near(b));
  return told?.baseExposureS == null
    ? undefined
    : { baseExposureS: told.baseExposureS, baseLayers: told.baseLayers ?? COMMON_FIGURES.baseLayers };
}

/** Figures to begin with for these settings, best first. */
export const figuresFor = (
  lists: ShopLists,
  records: RecordLists,
  things: TuningThings,
  vatC: number | null = null,
): { figures: StartingFigure[]; refused: RefusedFigure[] } =>
  startingFigures(
    wantedSetting(things, vatC),
    reportsOf(lists, things),
    curveOf(records, things.resin.id, things.printer.wavelengthNm),
  );

/** What to print at before anything was tuned: the profile that stands, or else the first figure that somebody told. */
export interface Beginning extends BaseFigures {
  profile: Profile | undefined;
  exposureS: number;
  /** Where the seconds come from; null: nobody has told any. */
  from: string | null;
}

export function beginningOf(
  lists: ShopLists,
  records: RecordLists,
  things: TuningThings,
  castClass: CastClass | undefined,
): Beginning {
  const profile = castClass && standingProfile(lists.profile, things, castClass);
  if (profile) {
    const { exposureS, baseExposureS, baseLayers, name } = profile;
    return { profile, exposureS, baseExposureS, baseLayers, from: `profile ${name}` };
  }
  const [first] = figuresFor(lists, records, things).figures;
  return {
    ...COMMON_FIGURES,
    ...toldBase(things),
    profile,
    exposureS: first?.exposureS ?? COMMON_FIGURES.exposureS,
    from: first?.name ?? null,
  };
}

/** A first profile: with the figures that somebody told, said by whom, or else common ones. Untested either way. */
export function firstProfile(
  lists: ShopLists,
  records: RecordLists,
  things: TuningThings,
  castClass: CastClass,
): ShopFields<'profile'> {
  const { exposureS, baseExposureS, baseLayers, from } = beginningOf(lists, records, things, undefined);
  const usual = usualProfile(things.resin, things.printer, castClass, things.layerMm);
  return {
    ...usual,
    exposureS: Math.round(100 * exposureS) / 100,
    baseExposureS,
    baseLayers,
    provenance: from ?? usual.provenance,
  };
}
