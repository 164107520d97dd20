// @vitest-environment happy-dom
import type { Pattern } from '@zero-pour/contracts';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { flushPromises } from '@vue/test-utils';
import { mountInApp } from '../../testing/mountInApp';
import FileSprues from './FileSprues.vue';

const runJob = vi.hoisted(() => vi.fn());
const changePattern = vi.hoisted(() => vi.fn(async (_id: string, _change: object) => true));
const sendBytes = vi.hoisted(() => vi.fn(async () => {}));
vi.mock('../../jobs', async (original) => ({ ...(await original<object>()), runJob }));
vi.mock('../../api/request', async (original) => ({ ...(await original<object>()), sendBytes }));
vi.mock('../../state/shopStore', () => ({ useShop: () => ({ changePattern }) }));

const measure = { shells: 2, unitMm: 1, volumeMm3: 800 };
const pattern = (sprues: Pattern['sprues'] = null): Pattern =>
  ({ id: 'p', name: 'Band', note: 'n', classOverride: null, fileHash: 'a'.repeat(64), fileName: 'band.stl', measure, sprues }) as never; // prettier-ignore
const kept = (marks: NonNullable<Pattern['sprues']>['marks']): NonNullable<Pattern['sprues']> => ({
  marks,
  sections: marks.map(() => ({ at: [0, 0, 0], axis: [0, 0, 1], diameterMm: 2.96, volumeMm3: 81 })),
  pieceHash: 'c'.repeat(64),
  piece: { volumeMm3: 719 } as never,
});
const cut = { status: 'cut', sections: [], pieceHash: 'c'.repeat(64), piece: {}, bytes: new Uint8Array(3) };
const rods = { status: 'unmarked', rods: [{ at: [1, 2, 3], diameterMm: 3, lengthMm: 13 }] };
const show = (of: Pattern) => mountInApp(FileSprues, { pattern: of, marking: false });
const press = (of: ReturnType<typeof show>, words: string) =>
  of
    .findAll('button')
    .find((b) => b.text() === words)!
    .trigger('click');

beforeEach(() => {
  vi.clearAllMocks();
  runJob.mockImplementation(async (_job: unknown, { marks }: { marks: unknown[] }) => ({
    output: marks.length === 0 ? rods : cut,
  }));
});

describe('sprues in the file', () => {
  it('says that none is marked, offers a body that looks like one, and keeps it by a press', async () => {
    const page = show(pattern());
    await flushPromises();
    expect(page.text()).toContain('None is marked');
    expect(page.text()).toContain('One body looks like a sprue: ⌀ 3.0 mm, 13.0 mm long');
    await press(page, 'It is a sprue');
    await flushPromises();
    expect(sendBytes).toHaveBeenCalledWith(cut.pieceHash, expect.any(Blob));
    expect(changePattern).toHaveBeenCalledWith('p', {
      name: 'Band',
      note: 'n',
      classOverride: null,
      sprues: { marks: [{ by: 'body', at: [1, 2, 3], shiftMm: 0 }], sections: [], pieceHash: cut.pieceHash, piece: {} },
    }); // prettier-ignore
  });

  it('moves a cut, takes a mark back, and with the last one forgets them', async () => {
    const mark = { by: 'cut' as const, at: [4, 5, 6] as [number, number, number], shiftMm: 0.5 };
    const page = show(pattern(kept([mark])));
    expect(page.text()).toContain('cut at ⌀ 3.0 mm');
    await press(page, 'Nearer the part');
    await flushPromises();
    expect(runJob.mock.calls.at(-1)![1].marks).toEqual([{ ...mark, shiftMm: 0.25 }]);
    await press(page, 'The other side is the sprue');
    await flushPromises();
    expect(runJob.mock.calls.at(-1)![1].marks).toEqual([{ ...mark, greater: true }]);
    await press(page, 'Not a sprue');
    await flushPromises();
    expect(changePattern.mock.calls.at(-1)![1]).toMatchObject({ sprues: null });
  });

  it.each([
    ['no rod', 'Nothing like a sprue there'],
    ['open', 'The surface is open'],
    ['joined', 'joins the part elsewhere'],
    ['too much', 'half of the part or more'],
    ['twice', 'cut away already'],
  ])('says why a mark cannot be taken (%s) and keeps what there was', async (why, words) => {
    const page = show(pattern());
    await flushPromises();
    runJob.mockResolvedValueOnce({ output: { status: 'refused', mark: 0, why } });
    await (page.vm as unknown as { press: (at: number[]) => Promise<void> }).press([1, 1, 1]);
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain(words);
    expect(changePattern).not.toHaveBeenCalled();
  });
});
