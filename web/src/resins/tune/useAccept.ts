import type { TuningAnswer } from '@zero-pour/jobs';
import { fitWidths, formatQuantity, widthErrorMm, type MeasuredWidth } from '@zero-pour/core';
import type { GatheredTrials, TuningOf, TuningThings } from '@zero-pour/plan';
import { clockTime } from '../../time/shopClock';
import { shallowRef } from 'vue';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { acceptBase, acceptFigure } from './acceptFigure';
import { solidWidths } from './known';
import { ownCoupons } from './tuningJob';
import { seconds } from './words';

/** What a figure is taken from, when it is taken. */
export interface Acceptable {
  things: TuningThings;
  of: TuningOf;
  answer: TuningAnswer;
  gathered: GatheredTrials;
}

/** What the print adds to widths at an exposure, when enough were measured. */
function addsAt(widths: readonly MeasuredWidth[], exposureS: number): { printAddsMm?: number } {
  const model = fitWidths(widths);
  if (model.status !== 'fitted') return {};
  return { printAddsMm: Math.round(widthErrorMm(model.line, exposureS).errorMm * 1000) / 1000 };
}

/** Takes the recommended exposure into a profile that pours use, with where it comes from. */
export function useAccept(what: () => Acceptable | undefined) {
  const shop = useShop();
  const notices = useNotices();
  const units = useUnits();
  const busy = shallowRef(false);

  /** "4 coupons, 3 Mar 2026, 28 °C". */
  function provenanceOf({ gathered, answer }: Acceptable): string {
    const n = ownCoupons(gathered);
    const parts = [`${n} ${n === 1 ? 'coupon' : 'coupons'}`, clockTime(Date.now(), 'd MMM yyyy')];
    const carried = gathered.used.filter((t) => t.laws.length > 0).length;
    const ofParts = gathered.used.filter((t) => t.trial.part).length;
    if (ofParts > 0) parts.splice(1, 0, `${ofParts} of parts`);
    if (carried > 0) parts.splice(1, 0, `${carried} carried over`);
    if (gathered.vatC !== null)
      parts.push(formatQuantity({ value: gathered.vatC, unit: 'degC' }, units.choice));
    if (answer.verdict.kind !== 'prints') parts.push('borderline');
    return parts.join(', ');
  }

  async function take(acceptable: Acceptable): Promise<string> {
    const { things, of, answer, gathered } = acceptable;
    const foundAt = new Date().toISOString();
    const { exposureS } = answer.recommended;
    const { profile: profiles } = shop.lists;
    if (of === 'base') {
      const n = await acceptBase(shop.keepItem, profiles, things, { baseExposureS: exposureS, foundAt });
      if (n === 0) return 'Take an exposure into a profile first; the base goes with it.';
      return `Base ${seconds(exposureS)} s is in ${n} ${n === 1 ? 'profile' : 'profiles'}.`;
    }
    const last = gathered.used.at(-1)?.trial;
    const made = await acceptFigure(shop.keepItem, profiles, things, of, {
      exposureS,
      ...(last ? { baseExposureS: last.baseExposureS, baseLayers: last.baseLayers } : {}),
      vatC: gathered.vatC,
      ...addsAt(solidWidths(gathered), exposureS),
      tested: true,
      provenance: provenanceOf(acceptable),
      foundAt,
    });
    return `${made.name} is ready for pours.`;
  }

  async function accept(): Promise<void> {
    const acceptable = what();
    if (!acceptable) return;
    busy.value = true;
    try {
      notices.tell(await take(acceptable));
    } catch (error) {
      notices.wrong(error);
    } finally {
      busy.value = false;
    }
  }
  return { busy, accept };
}
