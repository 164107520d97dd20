// @vitest-environment happy-dom
import { say } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { lastEmitted, mountInApp } from '../testing/mountInApp';
import { buttonOf, flatText } from '../testing/showInPour';
import { useFakeShop } from '../testing/fakeServer';
import BurnEvents from './BurnEvents.vue';

useFakeShop();
const NOW = Date.parse('2026-11-24T16:54:00.000Z');
const cut = { key: 'a', kind: 'power out' as const, at: '2026-11-24T16:14:00.000Z' };
const show = (events: object[] = [], waysOn: object[] = []) =>
  mountInApp(BurnEvents, { events, waysOn, now: () => NOW });

describe('what happened at the kiln', () => {
  it('is told by one press, from now on', async () => {
    const page = show();
    await buttonOf(page, 'Power out').trigger('click');
    const told = lastEmitted(page, 'change');
    expect(told).toEqual([{ key: expect.any(String), kind: 'power out', at: '2026-11-24T16:54:00.000Z' }]);
    expect(flatText(page)).not.toContain('The ways on');
  });
  it('lasts until it is said to be over, and its moments may be typed', async () => {
    const page = show([cut]);
    expect(page.find('li').classes()).toContain('lasts');
    await buttonOf(page, 'It is over').trigger('click');
    const told = lastEmitted(page, 'change');
    expect(told).toEqual([{ ...cut, until: '2026-11-24T16:54:00.000Z' }]);
    const over = show([{ ...cut, until: '2026-11-24T16:30:00.000Z' }]);
    expect(over.find('li').classes()).not.toContain('lasts');
    const [from] = over.findAll('input');
    await from!.setValue('');
    await from!.trigger('blur');
    // A moment that is wiped is not lost: it began at some time.
    const [kept] = lastEmitted(over, 'change') as object[];
    expect(kept).toMatchObject({ at: cut.at, until: '2026-11-24T16:30:00.000Z' });
  });
  it('takes no time where it takes none, and goes out again', async () => {
    const page = show([{ key: 'b', kind: 'turned', at: cut.at }, cut]);
    const turned = page.findAll('li').find((li) => li.text().includes('Turned'))!;
    expect(turned.classes()).not.toContain('lasts');
    expect(turned.findAll('input')).toHaveLength(1);
    await turned.find('.text-button').trigger('click');
    expect(lastEmitted(page, 'change')).toEqual([cut]);
  });
  it('leaves ways on, each with its risk', () => {
    const page = show([cut], [{ lead: 'Pour now.', why: say`It is colder.` }]);
    expect(flatText(page)).toContain('The ways onPour now. It is colder.');
  });
});
