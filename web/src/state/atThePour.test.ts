// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { defineComponent } from 'vue';
import { useFakeShop } from '../testing/fakeServer';
import { showInPour } from '../testing/showInPour';
import { markPoured } from './printedAs';
import { pouringSteps } from './pouringSteps';
import { recordStep } from './recordSteps';
import { usePour, type PourHandle } from './usePour';
import { useShop } from './shopStore';

const shop = useFakeShop();
/** A pour without a page: what acts keep of it. */
function open(number: number) {
  let handle!: PourHandle;
  const Nothing = defineComponent({ setup: () => ((handle = usePour()), () => null) });
  const { doc } = showInPour(shop, number, Nothing);
  return { handle, pour: () => doc().flasks[0]!.pour };
}
const AT = '2026-11-30T09:00:00.000Z';

describe('what is kept when the metal goes in', () => {
  it('is how it was poured and the charge as it was reckoned; later edits do not rewrite it', () => {
    const { handle, pour } = open(29);
    markPoured(handle, AT);
    const planned = pour().chargePlannedG!;
    expect(planned).toBeGreaterThan(10);
    expect(pour()).toMatchObject({ pouredAt: AT, way: 'vacuum' });
    handle.setInFlask('sprue', 'mainSprueLengthMm', 60);
    markPoured(handle, AT);
    expect(pour().chargePlannedG).toBe(planned);
  });
  it('is nothing that is not known: no way, no core’s hours', () => {
    const { handle, pour } = open(29);
    const { pouring: _, ...settings } = useShop().settings;
    void useShop().keepSettings(settings);
    markPoured(handle, AT);
    expect(pour()).not.toHaveProperty('way');
    // No machine reckons the heat in this test.
    expect(pour()).not.toHaveProperty('coreH');
  });
  it('never over what somebody said', () => {
    const { handle, pour } = open(29);
    handle.setInFlask('pour', 'way', 'gravity');
    markPoured(handle, AT);
    expect(pour().way).toBe('gravity');
  });
});

describe('the steps at the furnace', () => {
  const names = (handle: PourHandle): string[] =>
    pouringSteps(handle.plan.value, handle.flask.value, 0).map(({ name }) => name);
  it('have what each way of pouring asks for', () => {
    const { handle } = open(29);
    expect(names(handle)).toContain('Vacuum on');
    handle.setInFlask('pour', 'way', 'centrifuge');
    expect(names(handle)).toContain('Arm wound, balanced, guard shut');
    handle.setInFlask('pour', 'way', 'gravity');
    expect(names(handle)).not.toContain('Vacuum on');
    expect(names(handle).slice(-2)).toEqual(['Wait, then quench', 'Into the water']);
  });
  it('say what hurts at each of them', () => {
    const { handle } = open(29);
    const cautions = pouringSteps(handle.plan.value, handle.flask.value, 0).map(({ caution }) => caution);
    expect(new Set(cautions)).toEqual(new Set(['pour', 'quench']));
    expect(cautions.at(-1)).toBe('quench');
  });
  it('keep no minutes of a step that was forgotten, nor of a clock that ran backwards', () => {
    const { handle, pour } = open(29);
    recordStep(handle, 'pour', 'out', { doneAt: '2026-11-30T06:00:00.000Z' });
    recordStep(handle, 'pour', 'poured', { doneAt: AT });
    expect(pour()).not.toHaveProperty('outMin');
    recordStep(handle, 'pour', 'solid', { doneAt: '2026-11-30T08:00:00.000Z' });
    expect(pour()).not.toHaveProperty('solidAfterMin');
    recordStep(handle, 'pour', 'quench', { doneAt: '2026-11-30T09:14:00.000Z' });
    expect(pour().quenchAfterMin).toEqual({ state: 'measured', value: 14 });
  });
});
