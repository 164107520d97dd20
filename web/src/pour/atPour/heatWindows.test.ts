// @vitest-environment happy-dom
import type { HeatFlask } from '@zero-pour/contracts';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { flatText, showInPour } from '../../testing/showInPour';
import HeatWindows from './HeatWindows.vue';

const shop = useFakeShop();
const heat = (tempC: number, cool = 0) => ({ tempC, guessed: false, castings: 6, cool, hot: 0 });
const flask = (number: number, of: HeatFlask['flask'], way: HeatFlask['way'] = 'vacuum'): HeatFlask => ({ number, way, flask: of, metal: null }); // prettier-ignore

describe('what the castings say of temperatures', () => {
  it('says that nothing is learnt where no flask tells anything, and shows no number', async () => {
    const { page } = await showInPour(shop, 31, HeatWindows);
    await flushPromises();
    expect(flatText(page)).toContain('nothing is learnt yet');
    expect(flatText(page)).not.toMatch(/\d+ °C/);
    expect(page.find('svg').exists()).toBe(false);
  });
  it('asks for other pours of this metal and class, proposes, and plans by a press', async () => {
    shop.server.heats = [
      flask(20, heat(520, 5)),
      flask(22, heat(560, 2)),
      flask(24, heat(500, 6), 'gravity'),
    ];
    const { page, doc } = await showInPour(shop, 31, HeatWindows);
    await flushPromises();
    expect(shop.server.asked.some((at) => at.includes('/casts/heats?') && at.includes('castClass='))).toBe(
      true,
    );
    const said = flatText(page);
    expect(said).toContain('12 castings of 2 flasks');
    expect(said).toContain('Left out: 1 flask poured another way');
    expect(said).toMatch(/some do not fill \(\d+ in 100\), then \d+ °C next/);
    expect(page.find('svg').attributes('aria-label')).toContain('fills from');
    const press = page.findAll('button').find((one) => one.text().startsWith('Plan '))!;
    const bestC = Number(/\d+/.exec(press.text())![0]);
    await press.trigger('click');
    expect(doc().flasks[0]!.pour.flaskTempC).toBe(bestC);
    expect(flatText(page)).toContain('It is what is planned.');
  });
});
