// @vitest-environment happy-dom
import type { PartGates } from '@zero-pour/plan';
import type { FillReading } from '@zero-pour/core';
import { fillJob } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { useReadings } from '../../jobs/readingStore';
import { useFakeShop } from '../../testing/fakeServer';
import { lastEmitted } from '../../testing/mountInApp';
import { buttonOf, flatText, showInPour } from '../../testing/showInPour';
import FillOnPart from './FillOnPart.vue';
import { newGate, withPlaced } from './placeGates';

const shop = useFakeShop();
const offered = { at: [1, 2, 3], normal: [0, 0, 1], diameterMm: 1.5, margin: 2.4 } as const;
const LATE: FillReading = {
  last: { at: [9, 0, 0], widthMm: 0.42, modulusMm: 0.1, margin: 0.8, because: 'late' },
  offers: { flaskC: 590, metalC: null, gate: { ...offered, at: [1, 2, 3], normal: [0, 0, 1] } },
};

/** The band of the demo with one gate on it. */
function open() {
  const shown = showInPour(shop, 31, FillOnPart, ({ gates }) => ({ entry: gates[0]!, coloured: false }));
  const entry = (): PartGates => shown.handle.plan.value.gates[0]!;
  const { part, gates } = entry();
  shown.handle.set(
    ['wayUp', 'lines', part.key, 'gates'],
    withPlaced(gates, [newGate([9, 0, 0], [1, 0, 0], 3)]),
  );
  return { ...shown, entry };
}
/** The same once somebody has followed the metal. */
async function answered(reading: FillReading) {
  const shown = open();
  await nextTick();
  const wanted = shown.handle.plan.value.wants.find(({ job }) => job === fillJob.name)!;
  shop.server.known.set(wanted.text, reading);
  await useReadings().order(wanted);
  await nextTick();
  return shown;
}

describe('whether the part fills', () => {
  it('is waited for, by this flask’s temperatures', async () => {
    const { page, entry } = open();
    await nextTick();
    expect(entry().fill.wish).toMatchObject({ drive: { way: 'vacuum' }, gates: [{ diameterMm: 3 }] });
    expect(flatText(page)).toContain('Whether it fills is not reckoned yet.');
    expect(page.findAll('.v-slider')).toHaveLength(2);
  });
  it('is said with its last place, and a press takes an offer', async () => {
    const { page, doc } = await answered(LATE);
    expect(flatText(page)).toContain('It does not fill. Where it is 0.42 mm thick, the metal has 0.8 times');
    await buttonOf(page, 'Flask at 590 °C').trigger('click');
    expect(doc().flasks[0]!.pour.flaskTempC).toBe(590);
    expect(flatText(page)).not.toContain('Metal at');
  });
  it('hands the offered gate to the part', async () => {
    const { page } = await answered(LATE);
    await buttonOf(page, 'Add the gate there').trigger('click');
    expect(lastEmitted(page.findComponent(FillOnPart), 'addGate')).toEqual(LATE.offers!.gate);
  });
});
