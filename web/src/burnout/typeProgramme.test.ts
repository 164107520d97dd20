// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import type { Segment } from '@zero-pour/core';
import { useUnits } from '../state/unitStore';
import { lastEmitted } from '../testing/mountInApp';
import { flatText } from '../testing/showInPour';
import { useFakeShop } from '../testing/fakeServer';
import TypeProgramme from './TypeProgramme.vue';

const shop = useFakeShop();
const DEFAULTS = { rampCPerH: 110, kiln: { maxRampCPerH: 400, coolTauH: 4 }, castingC: 520 };
const show = () => shop.show(TypeProgramme, { defaults: DEFAULTS });

describe('a programme typed in one line', () => {
  it('is shown as it was understood, with what was not written, and taken by Enter', async () => {
    const page = show();
    const field = page.find('input');
    await field.setValue('150 for 2 h, then 730 for 4 h, casting 1 h');
    expect(flatText(page)).toContain('Carbon burns 110 °C/h to 730 °C, 4 h');
    expect(flatText(page)).toContain('Not written, taken as: 110 °C/h to 150 °C; 110 °C/h to 730 °C.');
    await field.trigger('keydown', { key: 'Enter' });
    const segments = lastEmitted(page, 'take') as Segment[];
    expect(segments.map(({ targetC, holdH }) => [targetC, holdH])).toEqual([[150, 2], [730, 4], [null, 1]]); // prettier-ignore
    expect((field.element as HTMLInputElement).value).toBe('');
  });
  it('says what it cannot place, and takes nothing of it', async () => {
    const page = show();
    await page.find('input').setValue('1350 for 4 h');
    expect(flatText(page)).toContain('Is °F meant? Write 1350 F.');
    await page.find('input').trigger('keydown', { key: 'Enter' });
    expect(page.emitted('take')).toBeUndefined();
  });
  it('reads what has no unit as the page shows it', async () => {
    const page = show();
    useUnits().set({ temperature: 'F' });
    await page.vm.$nextTick();
    await page.find('input').setValue('1350 for 4 h');
    expect(flatText(page)).not.toContain('Is °F meant?');
  });
});
