import type { Profile, ShopItem, ShopKind } from '@zero-pour/contracts';
import { TUNED_CLASSES, type CastClass } from '@zero-pour/core';
import { nextVersion, standingProfile, type AcceptedFigures, type TuningThings } from '@zero-pour/plan';

type Keep = <K extends ShopKind>(kind: K, item: ShopItem<K>) => Promise<ShopItem<K>>;

/** Makes the next version of a profile and marks the former as replaced; pours that use the former keep it. */
export async function acceptFigure(
  keep: Keep,
  profiles: readonly Profile[],
  things: TuningThings,
  castClass: CastClass,
  accepted: AcceptedFigures,
): Promise<Profile> {
  const former = standingProfile(profiles, things, castClass);
  const made = await keep('profile', {
    ...nextVersion(things, castClass, former, accepted),
    id: crypto.randomUUID(),
  });
  if (former) await keep('profile', { ...former, replaced: true });
  return made;
}

/** Base seconds go into every profile of the resin on this printer at this layer height. Returns how many. */
export async function acceptBase(
  keep: Keep,
  profiles: readonly Profile[],
  things: TuningThings,
  base: { baseExposureS: number; foundAt: string },
): Promise<number> {
  const standing = [...TUNED_CLASSES, 'mixed' as const].flatMap(
    (c) => standingProfile(profiles, things, c) ?? [],
  );
  for (const profile of standing) {
    const { exposureS, tested, provenance } = profile;
    // The exposure's own date stays: only the base is new.
    const foundAt = profile.foundAt ?? base.foundAt;
    await acceptFigure(keep, profiles, things, profile.castClass, {
      exposureS,
      tested,
      provenance,
      ...base,
      foundAt,
    });
  }
  return standing.length;
}
