// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { useShop } from '../state/shopStore';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, flatText, typeInto } from '../testing/showInPour';
import CompositionFields from './CompositionFields.vue';
import MetalPrices from './MetalPrices.vue';

const shop = useFakeShop();
const settle = async (): Promise<void> => {
  for (let n = 0; n < 20; n++) await new Promise((resolve) => setTimeout(resolve));
};
const sterling = () => useShop().lists.alloy.find(({ name }) => name === 'Sterling silver')!;

describe('prices of a feed', () => {
  const FEED = {
    source: 'stand-in, no market',
    at: '2026-11-24T00:00:00.000Z',
    currency: '',
    perG: { Ag: 2, Cu: 0.02 },
  };
  it('are shown beside the shop’s own, and taken by a press; a metal that is not told keeps its price', async () => {
    shop.server.prices = FEED;
    const page = shop.show(MetalPrices);
    const gold = useShop().lists.alloy.find(({ name }) => name === '18 ct yellow gold')!.pricePerG;
    await buttonOf(page, 'Ask the feed for prices').trigger('click');
    await settle();
    expect(flatText(page)).toContain('stand-in, no market');
    const pewter = page.findAll('tr').find((row) => row.text().includes('Pewter'));
    expect(pewter?.text()).toContain('without Sn, Sb');
    await buttonOf(page, 'Take these prices').trigger('click');
    await settle();
    expect(sterling().pricePerG).toBeCloseTo(0.925 * 2 + 0.075 * 0.02, 3);
    expect(gold).toBeGreaterThan(0);
  });
  it('that do not read are said, and nothing changes', async () => {
    shop.server.prices = { nothing: true };
    const page = shop.show(MetalPrices);
    const before = sterling().pricePerG;
    await buttonOf(page, 'Ask the feed for prices').trigger('click');
    await settle();
    expect(page.find('[role=alert]').exists()).toBe(true);
    expect(sterling().pricePerG).toBe(before);
  });
});

describe('what an alloy is made of', () => {
  it('is kept once the shares are the whole, and said while they are not', async () => {
    const page = shop.show(CompositionFields, { alloy: sterling() });
    await typeInto(page, 'Ag', '80');
    expect(flatText(page)).toContain('The shares come to 87.50 %, not 100');
    expect(page.emitted('change')).toBeUndefined();
    await typeInto(page, 'Cu', '20');
    expect(page.emitted('change')!.at(-1)![0]).toMatchObject({ composition: { Ag: 0.8, Cu: 0.2 } });
    expect(flatText(page)).toContain('By the mixing rule it would weigh 10.14 g/cm³');
  });
});
