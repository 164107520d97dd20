// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour, typeInto } from '../../testing/showInPour';
import PourSheet from './PourSheet.vue';
import PowerLost from './PowerLost.vue';
import VacuumOverTime from './VacuumOverTime.vue';

const shop = useFakeShop();
const press = async (page: Parameters<typeof buttonOf>[0], name: string): Promise<void> => {
  await buttonOf(page, name).trigger('click');
  await flushPromises();
};

describe('the gauge over time', () => {
  it('says nothing of a hold that nobody looked at, and what was lost once somebody did', async () => {
    const { page, doc } = showInPour(shop, 29, VacuumOverTime);
    expect(buttonOf(page, 'Note the gauge').attributes('disabled')).toBeDefined();
    await typeInto(page, 'After', '20');
    await typeInto(page, 'Gauge', '-88');
    await press(page, 'Note the gauge');
    expect(flatText(page)).toContain('Whether it was held is not known');
    await typeInto(page, 'After', '80');
    await typeInto(page, 'Gauge', '-70');
    await press(page, 'Note the gauge');
    expect(doc().flasks[0]!.pour.vacuumReads).toHaveLength(2);
    expect(flatText(page)).toContain(
      '88 kPa pulled at best, after 20 s; 18 kPa lost in a minute after that.',
    );
    await page.find('[aria-label="Take the reading after 80 s away"]').trigger('click');
    expect(doc().flasks[0]!.pour.vacuumReads).toHaveLength(1);
  });
});

describe('the power went while it melts', () => {
  beforeEach(() => void vi.useFakeTimers({ toFake: ['Date', 'setInterval', 'clearInterval'] }));
  afterEach(() => void vi.useRealTimers());
  const read = async (page: Parameters<typeof buttonOf>[0], tempC: string): Promise<void> => {
    await typeInto(page, 'Metal now', tempC);
    await press(page, 'Note the metal');
  };

  it('says until when it may be poured, and stops by itself once that is over', async () => {
    const { page, handle } = showInPour(shop, 29, PowerLost);
    handle.set(['flasks', 'f1', 'pour', 'flaskRead'], { state: 'measured', value: 500 });
    expect(flatText(page)).not.toMatch(/Pour now|Do not pour/);
    await read(page, '1100');
    expect(flatText(page)).toContain('How fast it falls is not known: read it once more.');
    vi.advanceTimersByTime(60_000);
    await read(page, '1085');
    // Tin bronze is liquid from 1000 °C: 55 °C are left at 15 a minute.
    expect(flatText(page)).toMatch(/It falls by 15 °C a minute: for \d\.\d min more it may be poured/);
    vi.advanceTimersByTime(8 * 60_000);
    await flushPromises();
    expect(flatText(page)).toContain('Do not pour.');
    expect(flatText(page)).not.toContain('Pour now.');
  });
  it('is silent once the metal is in', async () => {
    const { page, handle } = showInPour(shop, 29, PowerLost);
    await read(page, '1100');
    handle.set(['flasks', 'f1', 'pour', 'pouredAt'], new Date().toISOString());
    await flushPromises();
    expect(flatText(page)).not.toMatch(/may be poured|Do not pour/);
  });
});

it('the sheet takes how it was poured, once, and takes it back', async () => {
  const { page, doc } = showInPour(shop, 29, PourSheet);
  const vacuum = page.find('[aria-label="Way of pouring"]').findAll('button')[1]!;
  await vacuum.trigger('click');
  expect(doc().flasks[0]!.pour.way).toBe('vacuum');
  await vacuum.trigger('click');
  expect(doc().flasks[0]!.pour.way).toBeUndefined();
});
