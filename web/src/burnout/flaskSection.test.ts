// @vitest-environment happy-dom
import { heatFlask, plasterOf } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { useFakeShop } from '../testing/fakeServer';
import { flatText } from '../testing/showInPour';
import FlaskSection from './FlaskSection.vue';

const shop = useFakeShop();
const heat = heatFlask({
  body: { innerDiameterMm: 76, heightMm: 102, shellMm: 2 },
  plaster: plasterOf(0.4),
  kiln: [
    { h: 0, tempC: 20 },
    { h: 1, tempC: 150 },
    { h: 3, tempC: 150 },
    { h: 6, tempC: 500 },
    { h: 9, tempC: 500 },
  ],
  patternsMm: 22,
});

describe('the section of a flask', () => {
  it('is run through the burnout: how warm and how wet it is', async () => {
    const page = shop.show(FlaskSection, { heat });
    expect(flatText(page)).toContain('core 20 °C');
    expect(flatText(page)).toContain('100 % of the free water left');
    const slider = page.find('input[type="range"]');
    expect(Number(slider.attributes('max'))).toBe(heat.sections.length - 1);
    const at = heat.sections.findIndex(({ h }) => h > 2.9);
    await slider.setValue(String(at));
    expect(flatText(page)).toContain('core 100 °C');
    expect(flatText(page)).toMatch(/\b5\d % of the free water left/);
    await slider.setValue(String(heat.sections.length - 1));
    expect(flatText(page)).toContain('dry');
    expect(flatText(page)).toContain('9 h');
  });
});
