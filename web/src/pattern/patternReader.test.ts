// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { effectScope } from 'vue';
import { usePatterns } from '../state/shopPatterns';
import { useFakeShop } from '../testing/fakeServer';
import { usePatternReader } from './usePatternReader';

const { hashOf, runJob } = vi.hoisted(() => ({ hashOf: vi.fn(), runJob: vi.fn() }));
vi.mock('../jobs', async (original) => ({ ...(await original<object>()), hashOf, runJob }));

const shop = useFakeShop();
const HASH = 'ab'.repeat(32);
/** A file that notices whether the page itself reads it. */
function quietFile(name: string): { file: File; read: ReturnType<typeof vi.fn> } {
  const read = vi.fn();
  const file = new File(['solid'], name);
  Object.defineProperty(file, 'arrayBuffer', { value: read });
  return { file, read };
}
function reader() {
  const kept: string[] = [];
  const scope = effectScope();
  const { state, read, cancel } = scope.run(() => usePatternReader((pattern) => kept.push(pattern.name)))!;
  return { state, read, cancel, kept };
}

describe('a file that is dropped', () => {
  it('is handed over unread, kept under its hash, and named for people', async () => {
    const { measure } = usePatterns().whole[0]!;
    hashOf.mockResolvedValue(HASH);
    runJob.mockResolvedValue({ output: { status: 'read', measure } });
    const { file, read: readHere } = quietFile('limpet-cufflink.v2.stl');
    const { state, read, kept } = reader();
    await read(file);
    const [, input, options] = runJob.mock.lastCall as [unknown, object, { bytes: Map<string, unknown> }];
    expect(input).toEqual({ file: HASH, fileName: file.name, unitMm: null });
    expect([...options.bytes]).toEqual([[HASH, file]]);
    expect(readHere).not.toHaveBeenCalled();
    expect(shop.server.last('/patterns')!.body).toMatchObject({ fileHash: HASH, name: 'limpet cufflink v2' });
    expect([kept, state.value]).toEqual([['limpet cufflink v2'], { status: 'idle' }]);
  });

  it('that cannot be read any more is refused with a sentence, and leaves nothing behind', async () => {
    hashOf.mockRejectedValue(new Error('The file could not be read.'));
    const before = usePatterns().patterns.length;
    const { state, read, kept } = reader();
    await read(quietFile('gone.stl').file);
    await flushPromises();
    expect(state.value).toMatchObject({ status: 'refused', fileName: 'gone.stl' });
    expect((state.value as { sentence: string }).sentence.length).toBeGreaterThan(10);
    expect([kept, usePatterns().patterns.length]).toEqual([[], before]);
  });
});
