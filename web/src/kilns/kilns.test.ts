// @vitest-environment happy-dom
import type { KilnCurve, NewKilnRun } from '@zero-pour/contracts';
import type { VueWrapper } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { buttonOf, flatText, showInPour } from '../testing/showInPour';
import { useFakeShop } from '../testing/fakeServer';
import { useShop } from '../state/shopStore';
import BurnoutStage from '../pour/stages/BurnoutStage.vue';
import logA from '../../../core/reference/kiln-logs/log-a.csv?raw';
import logB from '../../../core/reference/kiln-logs/log-b.csv?raw';
import logC from '../../../core/reference/kiln-logs/log-c.csv?raw';
import KilnLogs from './KilnLogs.vue';

vi.mock('../chart', () => ({ usePlot: () => ({ ready: true }), BASE_LAYOUT: {}, CHART_AXIS: {}, axisTitle: (text: string) => text })); // prettier-ignore

const shop = useFakeShop();
const kilnOf = (name = 'Kiln 1') => useShop().lists.kiln.find((kiln) => kiln.name === name)!;

/** What a demo's log is on the server. */
const demoCurves = (): KilnCurve[] =>
  shop.file.kilnRuns.map(({ id, log: { kilnId, pourId, name, startedAt, ...readings } }) => ({
    run: {
      ...{ id, kilnId, pourId, name, startedAt, source: 'file', going: false, sent: null, missing: 0 },
      ...{ lastS: readings.atS.at(-1)!, rows: readings.atS.length },
    },
    everyS: 0,
    ...readings,
  }));

/** Gives the next picked file. */
function willPick(name: string, text: string): void {
  vi.spyOn(HTMLInputElement.prototype, 'click').mockImplementationOnce(function (this: HTMLInputElement) {
    const file = Object.assign(new File([text], name), {
      arrayBuffer: () => Promise.resolve(new TextEncoder().encode(text).buffer),
    });
    Object.defineProperty(this, 'files', { value: [file], configurable: true });
    this.dispatchEvent(new Event('change'));
  });
}
describe('logs of a kiln', () => {
  beforeEach(() => void (shop.server.kilnCurves = []));

  it('are none at first, and then what their files say once they are kept', async () => {
    const logs = shop.show(KilnLogs, { kiln: kilnOf() });
    await vi.waitFor(() => expect(flatText(logs)).toContain('No log yet.'));
    willPick('night.csv', logB);
    await buttonOf(logs, 'Read a log’s file').trigger('click');
    await vi.waitFor(() => expect(flatText(logs)).toContain('1080 over 17 h 59'));
    expect(flatText(logs)).toContain('power out after 9 h 12');
    expect(flatText(logs)).not.toContain('does not say its unit');
    await buttonOf(logs, 'Keep this log').trigger('click');
    await vi.waitFor(() => expect(flatText(logs)).toContain('Climbs by itself'));
    const sent = shop.server.last('/kiln-runs/')!.body as unknown as NewKilnRun;
    expect([sent.name, sent.atS.length, sent.kilnId]).toEqual(['night.csv', 1080, kilnOf().id]);
    // °F in the file, °C in the shop.
    expect(Math.max(...sent.tempC)).toBeLessThan(760);
    const taken = buttonOf(logs, 'Plan with these');
    await taken.trigger('click');
    const [changed] = logs.emitted('change')!.at(-1) as [ReturnType<typeof kilnOf>];
    expect(changed.measured!.climbs.map(({ tempC }) => tempC)).toContain(700);
    expect(changed.measured).toMatchObject({ from: 'night.csv' });
    // Only somebody knows that its vent was open.
    const tau = /As one time constant of cooling:\s*(?:(\d+) h)? ?(\d+)?/.exec(flatText(logs));
    expect(tau).not.toBeNull();
    await buttonOf(logs, 'its vent was open in this log: keep it as the opened one').trigger('click');
    const [opened] = logs.emitted('change')!.at(-1) as [ReturnType<typeof kilnOf>];
    expect(opened.openTauH).toBeGreaterThan(1);
    expect(opened.openTauH).toBeLessThan(12);
    expect(opened.measured).toBe(kilnOf().measured);
  });

  it('go away for good only by a second press', async () => {
    shop.server.kilnCurves = demoCurves();
    const logs = shop.show(KilnLogs, { kiln: kilnOf() });
    await vi.waitFor(() => expect(flatText(logs)).toContain('Take this log away'));
    const gone = () => shop.server.sent.filter(({ method }) => method === 'DELETE');
    await buttonOf(logs, 'Take this log away').trigger('click');
    expect(gone()).toEqual([]);
    await buttonOf(logs, 'Take it away for good: press again').trigger('click');
    await vi.waitFor(() => expect(gone()).toHaveLength(1));
    // The next one asks anew.
    await vi.waitFor(() => expect(flatText(logs)).toContain('Take this log away'));
  });

  it('are asked for their unit and their clock where the file says neither', async () => {
    const logs = shop.show(KilnLogs, { kiln: kilnOf() });
    willPick('run.csv', logC);
    await buttonOf(logs, 'Read a log’s file').trigger('click');
    await vi.waitFor(() => expect(flatText(logs)).toContain('The file does not say its unit; °C was taken.'));
    expect(flatText(logs)).toContain('Say when its first row was.');
    expect(buttonOf(logs, 'Keep this log').attributes('disabled')).toBeDefined();
    await buttonOf(logs, '°F').trigger('click');
    await nextTick();
    expect(flatText(logs)).toContain('°F was taken');
    expect(shop.server.sent.filter(({ at }) => at.includes('kiln-runs'))).toEqual([]);
    await buttonOf(logs, 'Leave it').trigger('click');
    expect(flatText(logs)).not.toContain('run.csv');
  });

  it('are refused by file, line and column, and nothing is kept', async () => {
    const logs = shop.show(KilnLogs, { kiln: kilnOf() });
    const lines = logA.split('\n');
    lines[40] = '2026-03-11T15:59:30,1372.0,62.0';
    willPick('lost.csv', lines.join('\n'));
    await buttonOf(logs, 'Read a log’s file').trigger('click');
    await vi.waitFor(() => expect(logs.find('[role=alert]').exists()).toBe(true));
    expect(logs.find('[role=alert]').text().replace(/\s+/g, ' ')).toMatch(/^lost\.csv Line 41, column 2: .*thermocouple.* Nothing of it is kept\.$/); // prettier-ignore
    expect(shop.server.sent.filter(({ at }) => at.includes('kiln-runs'))).toEqual([]);
  });
});

describe('a burnout as it went', () => {
  const inKiln = () => shop.file.pours.find(({ number }) => number === 29)!;
  const went = (page: VueWrapper): string =>
    page.find('[aria-label="As it went"]').text().replace(/\s+/g, ' ');

  it('is told by the log of its pour, with what befell the kiln', async () => {
    const [night] = demoCurves();
    const startedAt = inKiln().doc.burnout.startedAt!;
    shop.server.kilnCurves = [{ ...night!, run: { ...night!.run, pourId: inKiln().id, startedAt } }];
    const { page } = showInPour(shop, 29, BurnoutStage);
    await vi.waitFor(() => expect(went(page)).toContain('The power was out.'));
    expect(went(page)).toContain('what the core fell to is not reckoned yet');
    expect(went(page)).not.toContain('Clean to the core');
    await buttonOf(page, 'It is not of this pour').trigger('click');
    expect(shop.server.last('/kiln-runs/')!).toMatchObject({ method: 'PUT', body: { pourId: null } });
    await vi.waitFor(() => expect(went(page)).toContain('Nothing was measured of this burnout.'));
  });
  it('says that nothing is read before it says that nothing was measured', async () => {
    shop.server.kilnCurves = [];
    const { page } = showInPour(shop, 29, BurnoutStage);
    expect(went(page)).toContain('The kiln’s logs are not read yet.');
    await vi.waitFor(() => expect(went(page)).toContain('Nothing was measured of this burnout.'));
  });
});
