// @vitest-environment happy-dom
import { DEFAULT_SETTINGS, type Person, type Planning, type Settings } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { lastEmitted } from '../testing/mountInApp';
import { buttonOf } from '../testing/showInPour';
import HoursDrawing from './HoursDrawing.vue';
import PeopleFields from './PeopleFields.vue';
import PlanningFields from './PlanningFields.vue';

const shop = useFakeShop();
const { benchHours } = DEFAULT_SETTINGS;

describe('a week that is drawn', () => {
  const show = (hours: Settings['benchHours']) => {
    const page = shop.show(HoursDrawing, { hours, label: 'Hours' });
    const days = page.findAll('.day');
    for (const { element } of days) {
      Object.assign(element, { setPointerCapture: () => undefined });
      element.getBoundingClientRect = () => ({ top: 0 }) as DOMRect;
    }
    /** Drags down a day, hours of the clock; nine pixels are one. */
    const drag = async (day: number, from: number, to: number): Promise<void> => {
      const event = (hour: number) => ({ clientY: hour * 9, pointerId: 1 });
      await days[day]!.trigger('pointerdown', event(from));
      await days[day]!.trigger('pointermove', event(to));
      await days[day]!.trigger('pointerup', event(to));
    };
    return { page, drag };
  };
  it('takes a day from where it is pressed to where it is let go, to the half hour, either way', async () => {
    const { page, drag } = show(benchHours);
    await drag(0, 7.1, 15.4);
    expect(page.emitted('change')!.at(-1)).toEqual([1, { open: true, fromMin: 420, toMin: 930 }]);
    await drag(6, 14, 9);
    expect(page.emitted('change')!.at(-1)).toEqual([0, { open: true, fromMin: 540, toMin: 840 }]);
  });
  it('changes nothing by a press alone', async () => {
    const { page, drag } = show(benchHours);
    await drag(2, 9, 9);
    expect(page.emitted('change')).toBeUndefined();
  });
  it('draws a night shift on both of its days, and closed days not at all', () => {
    const night = benchHours.map((day, i) => (i === 5 ? { open: true, fromMin: 22 * 60, toMin: 6 * 60 } : { ...day, open: false })); // prettier-ignore
    const bars = show(night).page.findAll('.open');
    expect(bars.map((bar) => Number(bar.attributes('height')))).toEqual([18, 54]);
  });
});

describe('who works here', () => {
  const PRINT: Person = { key: 'p', name: 'Print bench', does: ['print'] };
  const show = (people: Person[] | undefined) => shop.show(PeopleFields, { people, benchHours });
  const last = (page: ReturnType<typeof show>) => lastEmitted(page, 'change') as Person[];
  it('is somebody who does everything when the bench is open, until it is said', async () => {
    const page = show(undefined);
    await buttonOf(page, 'Add somebody').trigger('click');
    expect(last(page)).toEqual([{ key: expect.any(String) as string, name: 'Bench 1' }]);
  });
  it('has hours of their own, which begin as the bench’s, and loses them again', async () => {
    const page = show([PRINT]);
    await page.find('input[type=checkbox]').setValue(true);
    expect(last(page)[0]!.hours).toEqual(benchHours);
    const own = show([{ ...PRINT, hours: benchHours }]);
    expect(own.find('.drawing').exists()).toBe(true);
    await own.find('input[type=checkbox]').setValue(false);
    expect(last(own)[0]).toEqual(PRINT);
  });
  it('is taken off by a press, and never without a name', async () => {
    const page = show([PRINT]);
    await page.find('input[type=text], input:not([type])').setValue('');
    expect(page.emitted('change')).toBeUndefined();
    await page.findAll('button').find((one) => one.attributes('aria-label') === 'Take Print bench off')!.trigger('click'); // prettier-ignore
    expect(last(page)).toEqual([]);
  });
});

describe('how long work takes here', () => {
  it('is as usual where nothing is said, and as usual again once it is emptied', async () => {
    const planning: Planning = { goal: 'kiln', minutes: { sprue: 40, melt: 20 } };
    const page = shop.show(PlanningFields, { planning });
    const field = page
      .findAll('.v-input')
      .find((one) => one.text().startsWith('Sprue'))!
      .find('input');
    await field.setValue('55');
    await field.trigger('blur');
    expect(lastEmitted(page, 'change')).toEqual({ goal: 'kiln', minutes: { melt: 20, sprue: 55 } });
    await field.setValue('');
    await field.trigger('blur');
    expect(lastEmitted(page, 'change')).toEqual({ goal: 'kiln', minutes: { melt: 20 } });
  });
});
