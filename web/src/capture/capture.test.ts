// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils';
import type { Slip } from '@zero-pour/contracts';
import { describe, expect, it, vi } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { buttonOf, fieldOf, flatText } from '../testing/showInPour';
import { useRecords } from '../state/recordStore';
import CaptureForm from './CaptureForm.vue';
import InboxLine from './InboxLine.vue';
import InboxPage from './InboxPage.vue';
import SlipsAbout from './SlipsAbout.vue';

const shop = useFakeShop();
const idOf = (number: number): string => shop.file.pours.find((pour) => pour.number === number)!.id;
const lastSlip = (): Slip => shop.server.last('/records/slip/')!.body as unknown as Slip;

describe('noting it', () => {
  const note = async (line: string, press: string[]): Promise<void> => {
    const form = shop.show(CaptureForm);
    expect(buttonOf(form, 'Keep it').attributes('disabled')).toBeDefined();
    await form.find('textarea').setValue(line);
    for (const label of press)
      await form
        .findAll('button')
        .find((button) => button.text().startsWith(label))!
        .trigger('click');
    await form.find('form').trigger('submit');
    await vi.waitFor(() => expect(form.emitted('close')).toHaveLength(1));
  };

  it('keeps a line with the pour that is nearest at hand, said to be a guess', async () => {
    expect(flatText(shop.show(CaptureForm))).toMatch(/Pour \d+.* is a guess/);
    await note('  gloss gone after 9 minutes ', []);
    expect(lastSlip()).toMatchObject({ text: 'gloss gone after 9 minutes', sortedAt: null });
    expect(lastSlip().about?.kind).toBe('pour');
  });

  it('is of no pour, or of another, after one press', async () => {
    await note('new crucible', ['Sort it later']);
    expect(lastSlip()).toMatchObject({ text: 'new crucible', about: null });
    await note('of the brooch', ['Pour 31']);
    expect(lastSlip().about).toEqual({ kind: 'pour', id: idOf(31) });
  });
});

describe('the inbox', () => {
  it('is told of on the board while something is in it', async () => {
    const line = shop.show(InboxLine);
    expect(flatText(line)).toContain(`${shop.file.records.slip.length} noted at the bench`);
    for (const slip of shop.file.records.slip) useRecords().take('slip', { ...slip, sortedAt: slip.at });
    await flushPromises();
    expect(flatText(line)).toBe('');
  });

  it('lets a slip be said to be of another pour, sorted, and thrown away with a way back', async () => {
    const page = shop.show(InboxPage);
    const text = shop.file.records.slip[0]!.text;
    expect(flatText(page)).toContain(text);
    const before = useRecords().lists.slip.length;
    await buttonOf(page, 'It belongs there').trigger('click');
    expect(lastSlip().sortedAt).not.toBeNull();
    expect(flatText(page)).not.toContain(text);
    await buttonOf(page, 'Throw away').trigger('click');
    await flushPromises();
    expect(useRecords().lists.slip).toHaveLength(before - 1);
    expect(shop.server.last('/records/slip/')).toMatchObject({ method: 'DELETE' });
  });

  it('shows sorted ones when they are asked for', async () => {
    const page = shop.show(InboxPage);
    const text = shop.file.records.slip[0]!.text;
    await buttonOf(page, 'It belongs there').trigger('click');
    await fieldOf(page, 'Sorted ones too (1)').setValue(true);
    expect(flatText(page)).toContain(text);
  });
});

describe('what was noted', () => {
  it('stands at its pour, by guess until it is sorted', async () => {
    const slip = shop.file.records.slip.find(({ about }) => about?.id === idOf(29))!;
    const view = shop.show(SlipsAbout, { subject: { kind: 'pour', id: idOf(29) } });
    expect(flatText(view)).toContain(slip.text);
    expect(flatText(view)).toContain('Here by guess.');
    useRecords().take('slip', { ...slip, sortedAt: slip.at });
    await flushPromises();
    expect(flatText(view)).not.toContain('by guess');
    expect(flatText(shop.show(SlipsAbout, { subject: { kind: 'pour', id: idOf(22) } }))).toBe('');
  });

  it('of something that is gone is said to be', async () => {
    const slip = shop.file.records.slip[0]!;
    useRecords().take('slip', { ...slip, about: { kind: 'pattern', id: crypto.randomUUID() } });
    const page = shop.show(InboxPage);
    await flushPromises();
    expect(page.html()).toContain('something that is not here any more');
  });
});
