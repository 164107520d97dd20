// @vitest-environment happy-dom
import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import PickRow from './PickRow.vue';

const THINGS = [
  { key: 'f1', name: 'Flask 1' },
  { key: 'f2', name: 'Flask 2', title: '76 × 102' },
];
const show = (picked: string | string[] | undefined) =>
  mount(PickRow, {
    props: { label: 'Flask shown', things: THINGS, picked },
    slots: { default: '<b>more</b>' },
  });
const pressed = (page: ReturnType<typeof show>) =>
  page.findAll('button').map((button) => button.attributes('aria-pressed'));

describe('things side by side', () => {
  it('are pressed one, several or none', () => {
    expect(pressed(show('f2'))).toEqual(['false', 'true']);
    expect(pressed(show(['f1', 'f2']))).toEqual(['true', 'true']);
    expect(pressed(show(undefined))).toEqual(['false', 'false']);
  });

  it('tell what was pressed, and are a group by name with what stands beside them', async () => {
    const page = show('f1');
    await page.findAll('button')[1]!.trigger('click');
    expect(page.emitted('pick')).toEqual([['f2']]);
    expect(page.attributes()).toMatchObject({ role: 'group', 'aria-label': 'Flask shown' });
    expect(page.text()).toContain('more');
    expect(page.findAll('button')[1]!.attributes('title')).toBe('76 × 102');
  });
});
