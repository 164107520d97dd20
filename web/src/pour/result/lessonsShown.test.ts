// @vitest-environment happy-dom
import type { Casting } from '@zero-pour/contracts';
import type { FlawKind } from '@zero-pour/core';
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import { flatText, showInPour } from '../../testing/showInPour';
import { useShop } from '../../state/shopStore';
import CastWhy from './CastWhy.vue';
import DebrisChain from '../why/DebrisChain.vue';
import WithinFlask from './WithinFlask.vue';

const shop = useFakeShop();
const fine: Casting = { outcome: 'sellable', flaws: [], photos: [] };
const dirty: Casting = { outcome: 'scrap', photos: [], flaws: [{ kind: 'debris cast in', place: '' }] };

describe('the chain from a tacky skin', () => {
  it('is out of sight while nothing speaks for it, and says what nobody looked at once something does', async () => {
    const { page, handle } = showInPour(shop, 30, DebrisChain);
    expect(page.find('section').exists()).toBe(false);
    handle.set(['result', 'castings', 'l1/1'], dirty);
    await flushPromises();
    const links = page.findAll('li').map((link) => link.text().replace(/\s+/g, ' '));
    expect(links).toHaveLength(4);
    expect(links[1]).toContain('not known');
    expect(links[3]).toContain('1 of 1 with debris cast in.');
    handle.set(['invest', 'checks', 'patterns dusted off'], '2026-11-29T10:00:00.000Z');
    await flushPromises();
    expect(page.findAll('li')[2]!.classes()).toContain('good');
  });
});

describe('findings of another shop', () => {
  it('are named where they are of a flaw that stands here, and not of another', async () => {
    const { page, handle } = showInPour(shop, 30, CastWhy);
    handle.set(['result', 'castings', 'l1/1'], dirty);
    const table = (flaw: FlawKind) => ({
      key: crypto.randomUUID(),
      from: 'Tern House',
      at: '2026-11-01T08:00:00.000Z',
      told: [{ flaw, said: { ruledOut: [] }, times: 2 }],
    });
    useShop().takeSettings({ ...useShop().settings, causeTables: [table('misrun')] });
    await flushPromises();
    expect(flatText(page)).not.toContain('Tern House');
    useShop().takeSettings({ ...useShop().settings, causeTables: [table('debris cast in')] });
    await flushPromises();
    expect(flatText(page)).toContain('Odds begin with what Tern House found');
  });
});

describe('within the flask', () => {
  it('is silent where the pieces differ in nothing that is told', async () => {
    const { page, handle } = showInPour(shop, 30, WithinFlask);
    for (const copy of [1, 2, 3, 4]) handle.set(['result', 'castings', `l1/${copy}`], copy > 2 ? dirty : fine); // prettier-ignore
    await flushPromises();
    expect(page.find('section').exists()).toBe(false);
  });
  it('says by how much one kind comes out more often, and when the counts do not tell', async () => {
    const { page, handle } = showInPour(shop, 30, WithinFlask);
    for (const copy of [1, 2, 3, 4]) {
      handle.set(['result', 'castings', `l1/${copy}`], copy > 2 ? dirty : fine);
      handle.set(['print', 'pieces', `l1/${copy}`], { outcome: copy > 2 ? 'flawed' : 'good', note: '' });
    }
    await flushPromises();
    expect(flatText(page)).toContain('By print. good: 2 of 2 sellable; flawed: 0 of 2 sellable.');
    expect(flatText(page)).toContain('95 in 100 that good comes out more often than flawed.');
    handle.set(['result', 'castings', 'l1/3'], fine);
    await flushPromises();
    expect(flatText(page)).toContain('The counts do not tell:');
  });
});
