// @vitest-environment happy-dom
import type { Resin } from '@zero-pour/contracts';
import type { TuningAnswer, TuningJob } from '@zero-pour/jobs';
import { edgeCurve, foreseeOutcomes, tuneExposure } from '@zero-pour/core';
import type { VueWrapper } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { computed, ref } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { fieldOf, typeInto } from '../../testing/showInPour';
import TuneView from './TuneView.vue';

/** The worker's answer, worked out at once: a test has no second thread. */
function answerTo(job: TuningJob): TuningAnswer {
  const { edges, recommended, next, verdict } = tuneExposure(job);
  return {
    recommended,
    next,
    verdict,
    struts: edgeCurve(edges.lower, ...job.chartS),
    slots: edgeCurve(edges.upper, ...job.chartS),
    outcomes: foreseeOutcomes(edges, next.exposureS, job.settable, job.coupon, job.coupons),
  };
}
const outdated = ref(false);
vi.mock('./useTuning', () => ({
  useTuning: (_: unknown, job: () => TuningJob | undefined) => {
    const answer = computed(() => {
      const now = job();
      return now && answerTo(now);
    });
    return { answer, latest: answer, problem: computed(() => ''), outdated };
  },
}));
const spreadOutdated = ref(false);
vi.mock('./useSpread', () => ({
  useSpread: () => ({ spread: computed(() => ({ rho: 0, coupons: 0 })), outdated: spreadOutdated }),
}));
vi.mock('./TuneChart.vue', () => ({ default: { template: '<i class="chart" />' } }));

const shop = useFakeShop();

const resin = (name: string): Resin => shop.file.lists.resin.find((r) => r.name === name)!;
const open = (name = 'Skerry Wax 55'): VueWrapper => shop.show(TuneView, { resin: resin(name) });
const button = (of: VueWrapper, text: string) => of.findAll('button').find((b) => b.text().startsWith(text))!;
const press = (key: string): boolean =>
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));

describe('tuning', () => {
  it('begins where the newest coupons are, and says what they come to', () => {
    const text = open().text();
    expect(text).toContain('Printer A, 405 nm');
    expect(text).toContain('Prints at 3.7 s.');
    expect(text).toContain('Trial 2 changed two things');
    expect(text).toContain('In use: 3.7 s, 4 coupons, 28 °C (version 2).');
    expect(text).toContain('wider than drawn');
  });
  it('says that a coarse resin is not for filigree, and offers no profile', () => {
    const text = open('Brine Clear-Out').text();
    expect(text).toContain('Not for filigree.');
    expect(text).toContain('Far from what others report.');
    expect(text).not.toContain('Take it into a profile');
  });
  it('begins without any coupon from the maker’s figure', () => {
    const fresh = open('Skerry Low-Ash Fine');
    expect(fresh.text()).toContain('all else as trial 1');
    expect(open('Skerry Wax 40').text()).toContain('No coupon yet for filigree.');
  });

  it('opens the next coupon by E, ready to be counted, and lets it go when nothing was seen', async () => {
    const tune = open('Skerry Low-Ash Fine');
    press('e');
    await vi.waitFor(() => expect(tune.find('[data-count]').exists()).toBe(true));
    const put = shop.server.last('/records/trial/')!;
    expect(put.body).toMatchObject({ baseExposureS: 16, layerMm: 0.03, counts: {} });
    press('e');
    expect(shop.server.sent.filter((s) => s.method === 'PUT')).toHaveLength(1);
    await tune.find('[aria-label="Counts of the coupon"]').trigger('keydown', { key: 'Escape' });
    await vi.waitFor(() => expect(shop.server.sent.at(-1)!.method).toBe('DELETE'));
    expect(tune.find('[data-count]').exists()).toBe(false);
  });
  it.each([
    ['counts', outdated],
    ['scatter', spreadOutdated],
  ])('opens no coupon by a figure of the %s before', async (_, reckoned) => {
    const tune = open('Skerry Low-Ash Fine');
    reckoned.value = true;
    await tune.vm.$nextTick();
    expect(tune.find('[aria-label="What to do next"]').attributes('aria-busy')).toBe('true');
    expect(tune.text()).toContain('counting …');
    press('e');
    await new Promise((done) => setTimeout(done, 20));
    expect(tune.find('[data-count]').exists()).toBe(false);
    reckoned.value = false;
    await vi.waitFor(() => expect(tune.find('[data-count]').exists()).toBe(true));
    await tune.find('[aria-label="Counts of the coupon"]').trigger('keydown', { key: 'Escape' });
  });
  it('counts at once what is typed, and keeps it', async () => {
    const tune = open('Skerry Low-Ash Fine');
    const before = tune.find('[data-testid=figure]').text();
    press('e');
    await vi.waitFor(() => expect(tune.find('[data-count]').exists()).toBe(true));
    const [struts, slots] = tune.findAll('[data-count]');
    await struts!.setValue('24');
    await slots!.setValue('few');
    await vi.waitFor(
      () =>
        expect(shop.server.last('/records/trial/')?.body['counts']).toEqual({
          filigree: { struts: { good: 24 }, slots: { word: 'few' } },
        }),
      { timeout: 4000 },
    );
    await vi.waitFor(() => expect(tune.find('[data-testid=figure]').text()).not.toBe(before));
    expect(tune.findAll('tbody tr')).toHaveLength(2);
  });

  it('takes parts that failed as trials, each with its own number', async () => {
    const tune = open('Skerry Low-Ash Fine');
    await button(tune, 'Parts failed, or stood').trigger('click');
    expect(button(tune, 'Keep as').attributes('disabled')).toBeDefined();
    tune.findComponent({ name: 'VCombobox' }).vm.$emit('update:search', 'Lace ring');
    await fieldOf(tune, 'Seconds').setValue('10, 15 and 20');
    await typeInto(tune, 'Stood', '0');
    await typeInto(tune, 'Of', '1');
    await button(tune, 'Keep as 3 trials').trigger('click');
    await vi.waitFor(() => {
      const kept = shop.server.sent.filter((s) => s.at.includes('/records/trial/')).slice(-3);
      expect(kept.map((k) => k.body['exposureS'])).toEqual([10, 15, 20]);
      for (const { body } of kept) expect(body['part']).toMatchObject({ name: 'Lace ring', good: 0, of: 1 });
    });
    expect(tune.findAll('tbody tr').filter((r) => r.text().startsWith('Lace ring'))).toHaveLength(3);
  });

  it('takes the figure into the next version, with where it comes from', async () => {
    await button(open(), 'Take it into a profile').trigger('click');
    await vi.waitFor(() =>
      expect(shop.server.sent.filter((s) => s.at.includes('/profile/'))).toHaveLength(2),
    );
    const [made, former] = shop.server.sent.filter((s) => s.at.includes('/profile/'));
    expect(made!.body).toMatchObject({ version: 3, exposureS: 3.7, tested: true, vatC: 28 });
    expect(made!.body['provenance']).toMatch(/^4 coupons, \d+ \w+ \d{4}, 28 °C$/);
    expect(made!.body['printAddsMm']).toBeCloseTo(0.017, 3);
    expect(former!.body).toMatchObject({ version: 2, replaced: true });
  });
});
