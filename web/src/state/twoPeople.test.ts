// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest';
import { WINDOW } from '../api/request';
import { FAKE_POUR } from '../testing/fakePourServer';
import { useFakePour } from '../testing/useFakePour';
import { changeFollower, partOf } from './changesHeard';
import { useNotKept, type RefusedField } from './notKept';
import { readPending } from './pendingChanges';
import { usePours } from './pourStore';

const ID = FAKE_POUR;
const NOTE = ['brief', 'note'] as const;

const fake = useFakePour();
const { type, shown, settle } = fake;

describe('two people on one field', () => {
  const entryOf = () => useNotKept().entries[0] as RefusedField;

  it('are told of both values, and nothing is written over', async () => {
    await usePours().load(ID);
    fake.server.mode = 'gone';
    type('mine');
    await settle();
    fake.server.change([...NOTE], 'theirs');
    fake.server.mode = 'answers';
    await settle();
    expect([fake.server.pour.doc.brief.note, shown(), readPending(ID)]).toEqual(['theirs', 'theirs', []]);
    expect(entryOf()).toMatchObject({ change: { value: 'mine' }, stored: 'theirs' });
    // Kept all the same: it goes over what is known now.
    usePours().resend(ID, entryOf().change);
    await settle();
    expect([fake.server.pour.doc.brief.note, useNotKept().entries]).toEqual(['mine', []]);
  });

  it('are told that it was taken away', async () => {
    await usePours().load(ID);
    type('first');
    await settle();
    type('mine');
    fake.server.change([...NOTE], null);
    await settle();
    expect(entryOf()).toMatchObject({ change: { value: 'mine' }, stored: null });
  });

  it('are one when it is their own, whose answer was lost, also when they typed on', async () => {
    await usePours().load(ID);
    fake.server.mode = 'answer lost';
    type('on');
    await vi.advanceTimersByTimeAsync(400);
    expect(fake.server.pour.doc.brief.note).toBe('on');
    type('one');
    fake.server.mode = 'answers';
    await settle();
    expect([fake.server.pour.doc.brief.note, useNotKept().entries]).toEqual(['one', []]);
  });

  it('are one when both meant the same, and when other fields were changed', async () => {
    await usePours().load(ID);
    fake.server.mode = 'gone';
    type('same');
    usePours().set(ID, ['scale', 'percent'], 101);
    fake.server.change([...NOTE], 'same');
    fake.server.change(['print', 'note'], 'another field');
    fake.server.mode = 'answers';
    await settle();
    expect(useNotKept().entries).toEqual([]);
    expect(fake.server.pour.doc).toMatchObject({ brief: { note: 'same' }, print: { note: 'another field' }, scale: { percent: 101 } }); // prettier-ignore
  });
});

describe('what others keep', () => {
  const START = 'one start';
  const follow = () => {
    const read: string[][] = [];
    const follower = changeFollower(async (parts) => void read.push([...parts]));
    const hear = (count: number, at?: string, by?: string, start = START): void =>
      follower.hear({ start, count, ...(at ? { at } : {}), ...(by ? { by } : {}) });
    return { read, hear };
  };

  it('is read anew where it was kept, what comes together once', async () => {
    const { read, hear } = follow();
    hear(4);
    hear(5, `/pours/${ID}`, 'another window');
    hear(6, `/pours/${ID}`, 'another window');
    hear(7, '/shop/resin/x');
    await settle();
    expect(read).toEqual([[`pour ${ID}`, 'shop']]);
  });

  it('is not read anew when this window did it, or when nothing was missed', async () => {
    const { read, hear } = follow();
    hear(4);
    hear(5, '/records/trial/x', WINDOW);
    hear(5);
    await settle();
    expect(read).toEqual([]);
  });

  it('is read whole when something was missed, or the server began anew', async () => {
    const { read, hear } = follow();
    hear(4);
    hear(7);
    await settle();
    hear(0, undefined, undefined, 'another start');
    await settle();
    expect(read).toEqual([
      ['shop', 'records', 'kilnRuns'],
      ['shop', 'records', 'kilnRuns'],
    ]);
  });

  it('has its place by its address', () => {
    expect(
      ['/settings', '/patterns/x', '/kiln-runs/x', '/records/mold/x', `/pours/${ID}/discarded`].map(partOf),
    ).toEqual(['shop', 'shop', 'kilnRuns', 'records', `pour ${ID}`]);
  });
});
