// @vitest-environment happy-dom
import type { ChosenFlasks, HungTree } from '@zero-pour/core';
import type { HangInput } from '@zero-pour/jobs';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { buttonOf, flatText, showInPour } from '../../testing/showInPour';
import HangOnTree from './HangOnTree.vue';

/** What the worker was asked, and what it answers; what it only draws never comes. */
const worker = vi.hoisted(() => ({
  asked: [] as HangInput[],
  answer: (_input: HangInput): ChosenFlasks | Promise<never> => Promise.reject(new Error('not asked')),
}));
vi.mock('../../jobs', async (original) => ({
  ...(await original<object>()),
  runJob: async (_job: unknown, input: HangInput) => {
    worker.asked.push(input);
    return { output: await worker.answer(input) };
  },
}));
vi.mock('./TreeView.vue', () => ({ default: { template: '<i />' } }));
beforeEach(() => void (worker.asked = []));

const shop = useFakeShop();
const treeOf = (counts: readonly number[], kinds = counts): HungTree => ({
  pieces: kinds.flatMap((count, kind) =>
    Array.from({ length: count }, (_, n) => ({
      kind,
      angleDeg: 60 * n,
      awayMm: 3,
      heightMm: 21.5,
      tiltDeg: 45,
      spinDeg: 0,
    })),
  ),
  left: counts.map((count, kind) => count - kinds[kind]!),
  mainSprueMm: 17.21,
  miss: null,
  cannot: [],
});
async function press(name: string, answer: typeof worker.answer) {
  worker.answer = answer;
  const shown = showInPour(shop, 31, HangOnTree);
  shown.handle.setInFlask('sprue', 'arrangement', 'rings');
  await nextTick();
  await buttonOf(shown.page, name).trigger('click');
  for (let n = 0; n < 5; n++) await nextTick();
  return shown;
}

describe('hanging by real shapes', () => {
  it('asks with the pieces, the flask that is shown first and all others, and keeps where each hangs', async () => {
    const { doc } = await press('Hang them in this flask', ({ counts }) => ({
      trees: [{ room: 0, tree: treeOf(counts) }],
      left: counts.map(() => 0),
      miss: null,
      cannot: [],
    }));
    const [asked] = worker.asked;
    expect(asked).toMatchObject({ wish: 'here', counts: [3], arrangement: 'rings' });
    expect(asked!.rooms).toHaveLength(shop.file.lists.flask.length);
    const { hung, mainSprueLengthMm } = doc().flasks[0]!.sprue;
    expect(hung!.map(({ key }) => key)).toEqual(
      ['l1/1', 'l1/2', 'l1/3'].map((key) => key.replace('l1', hung![0]!.key.split('/')[0]!)),
    );
    expect(mainSprueLengthMm).toBe(17.3);
  });
  it('takes the flask that was found for the smallest', async () => {
    const { doc } = await press('Smallest flask that takes them', ({ counts, rooms }) => ({
      trees: [{ room: rooms.length - 1, tree: treeOf(counts) }],
      left: counts.map(() => 0),
      miss: null,
      cannot: [],
    }));
    expect(worker.asked[0]!.wish).toBe('smallest');
    expect(shop.file.lists.flask.map(({ id }) => id)).toContain(doc().flasks[0]!.sprue.flaskId);
  });
  it('shares an order out over several flasks', async () => {
    const { doc } = await press('Fewest flasks', ({ counts }) => ({
      trees: [
        { room: 0, tree: treeOf(counts, [2]) },
        { room: 1, tree: treeOf([1]) },
      ],
      left: [0],
      miss: null,
      cannot: [],
    }));
    expect(doc().flasks.map(({ pieces }) => pieces?.length)).toEqual([2, 1]);
    const all = doc().flasks.flatMap(({ pieces }) => pieces ?? []);
    expect(new Set(all).size).toBe(3);
  });
  it('says what found no room, and why the worker did not answer; nothing is changed by it', async () => {
    const none = await press('Hang them in this flask', ({ counts }) => ({
      trees: [],
      left: [...counts],
      miss: { what: 'top', mm: 3.4, room: 0 },
      cannot: [],
    }));
    expect(flatText(none.page)).toMatch(/Not even one fits\. In .* it is 3\.4 mm too tall\./);
    expect(none.doc().flasks[0]!.sprue.hung).toBeUndefined();
    const failed = await press('Hang them in this flask', () =>
      Promise.reject(new Error('The mesh reader stopped.')),
    );
    expect(failed.page.find('[role="alert"]').text()).not.toBe('');
    expect(failed.doc().flasks[0]!.sprue.hung).toBeUndefined();
  });
  it('goes back to bounding cylinders by a press', async () => {
    const { page, doc } = await press('Hang them in this flask', ({ counts }) => ({ trees: [{ room: 0, tree: treeOf(counts) }], left: [0], miss: null, cannot: [] })); // prettier-ignore
    await buttonOf(page, 'Back to bounding cylinders').trigger('click');
    expect(doc().flasks[0]!.sprue.hung).toBeUndefined();
  });
});
