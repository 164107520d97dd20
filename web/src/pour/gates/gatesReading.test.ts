// @vitest-environment happy-dom
import type { FeedInput } from '@zero-pour/jobs';
import { describe, expect, it, vi } from 'vitest';
import { nextTick, shallowRef, type ShallowRef } from 'vue';
import { useFakeShop } from '../../testing/fakeServer';
import { showInPour } from '../../testing/showInPour';
import GatesOnPart from './GatesOnPart.vue';
import { newGate, withPlaced } from './placeGates';

interface Handle {
  name: string;
  background: boolean;
  asked: FeedInput[];
  stops: number;
  state: ShallowRef<{ status: string }>;
}
const made = vi.hoisted(() => ({ handles: [] as unknown[] }));
vi.mock('../../jobs', async (original) => ({
  ...(await original<object>()),
  useJob: ({ name }: { name: string }, { background = false }: { background?: boolean } = {}) => {
    const handle: Handle = { name, background, asked: [], stops: 0, state: shallowRef({ status: 'idle' }) };
    made.handles.push(handle);
    const ask = (input: FeedInput): void => void handle.asked.push(input);
    return { state: handle.state, ask, stop: () => void handle.stops++, clear: () => undefined };
  },
}));
const shop = useFakeShop();

describe('the feed of gates that are moved', () => {
  it('is read at once, then finer in the background; what is otherwise changed does not begin it anew', async () => {
    made.handles = [];
    const shown = showInPour(shop, 31, GatesOnPart, ({ gates }) => ({ entry: gates[0]!, placing: false }));
    const { part, gates } = shown.handle.plan.value.gates[0]!;
    const place = (x: number): void =>
      shown.handle.set(
        ['wayUp', 'lines', part.key, 'gates'],
        withPlaced(gates, [newGate([x, 0, 0], [1, 0, 0], 3)]),
      );
    place(9);
    await nextTick();
    const feeds = (made.handles as Handle[]).filter(({ name }) => name === 'feed');
    const [now, final] = [false, true].map((of) => feeds.find(({ background }) => background === of)!) as [
      Handle,
      Handle,
    ];
    expect(now.asked.at(-1)).toMatchObject({ cellMm: 0.1, gates: [{ at: [9, 0, 0] }] });
    expect(final.asked).toEqual([]);
    now.state.value = { status: 'done' };
    await nextTick();
    expect(final.asked.at(-1)).toMatchObject({ cellMm: 0.05, gates: [{ at: [9, 0, 0] }] });
    const stops = final.stops;
    shown.handle.set(['brief', 'note'], 'for Friday');
    await nextTick();
    expect([final.stops, final.asked.length]).toEqual([stops, 1]);
    place(8);
    await nextTick();
    expect(final.stops).toBe(stops + 1);
  });
});
