// @vitest-environment happy-dom
import { planStretch, valueOf } from '@zero-pour/plan';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useFakeShop } from '../testing/fakeServer';
import { flatText, showInPour } from '../testing/showInPour';
import BurnoutStage from '../pour/stages/BurnoutStage.vue';
import StretchHolds from './StretchHolds.vue';

const shop = useFakeShop();
const HOUR_MS = 3_600_000;

/** Pour 31 at the first hour of the coming days for which longer holds would help. */
async function hardPour() {
  const shown = showInPour(shop, 31, BurnoutStage);
  const { handle } = shown;
  const from = Math.ceil(Date.now() / HOUR_MS) * HOUR_MS + 60 * HOUR_MS;
  for (let n = 0; n < 96; n++) {
    handle.set(['brief', 'zeroAt'], new Date(from + (n * HOUR_MS) / 2).toISOString());
    const { context, burnout, times } = handle.plan.value;
    const stretch = planStretch(context, valueOf(burnout)!, valueOf(times)!, Date.now());
    if (stretch) {
      await nextTick();
      return { ...shown, stretch };
    }
  }
  throw new Error('no hour of two days for which holds would be stretched');
}

describe('longer holds', () => {
  it('are offered where hands are wanted at night, taken by a press, and not offered again', async () => {
    const { page, doc, handle, stretch } = await hardPour();
    const offer = page.findComponent(StretchHolds);
    expect(flatText(offer)).toMatch(/^Hold .+ longer: kiln in /);
    await offer.find('button').trigger('click');
    await nextTick();
    expect(doc().burnout.segments!.map(({ holdH }) => holdH)).toEqual(stretch.segments.map(({ holdH }) => holdH)); // prettier-ignore
    expect(valueOf(handle.plan.value.times)!.conflicts).toEqual([]);
    expect(page.findComponent(StretchHolds).exists()).toBe(false);
  });
});
