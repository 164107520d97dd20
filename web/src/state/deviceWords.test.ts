import type { DeviceReading, DeviceState } from '@zero-pour/contracts';
import { METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { clockWords, deviceGlance } from './deviceWords';

const NOW = Date.parse('2026-11-24T16:54:00.000Z');
const ago = (s: number): string => new Date(NOW - 1000 * s).toISOString();
const reading: DeviceReading = {
  ...{ n: 12, at: ago(1), value: 412.3, set: 450 },
  ...{ runId: null, segment: 0, steady: true },
};
const state = (change: Partial<DeviceState> = {}): DeviceState => ({
  kilnId: '00000000-0000-4000-8000-000000000001',
  ...{ link: 'on', since: ago(600), sentence: null, reading, readAt: ago(1), runId: null },
  device: { name: 'Kiln', standIn: false, pace: 1, clockOffS: 0 },
  ...change,
});
const glance = (change?: Partial<DeviceState>) => deviceGlance(state(change), NOW, METRIC);

describe('what is known of a kiln by its device', () => {
  it('is its reading while it is read', () => {
    expect(glance()).toEqual({ readC: 412.3, word: 'read', more: 'Set point 450 °C.' });
    expect(glance({ reading: { ...reading, set: null } }).more).toBe('Nothing drives it.');
  });
  it('is nothing of now once the link is lost, the probe is, or it fell silent', () => {
    const lost = glance({ link: 'lost', sentence: 'Nothing answers.', readAt: ago(200) });
    expect(lost.readC).toBeUndefined();
    expect(lost.word).toBe('link lost');
    expect(lost.more).toMatch(/^Nothing answers\. Last read 412 °C at .*; what it is now is not known\.$/);
    expect(glance({ reading: { ...reading, value: null } })).toMatchObject({
      readC: undefined,
      word: 'thermocouple lost',
    });
    expect(glance({ readAt: ago(61) })).toMatchObject({ readC: undefined, word: 'silent' });
    expect(glance({ link: 'asking', reading: null, readAt: null }).readC).toBeUndefined();
    expect(glance({ link: 'lost', reading: null, readAt: null, sentence: null }).more).toBe(
      'Nothing was read.',
    );
    expect(glance({ reading: null, readAt: null }).word).toBe('nothing read');
  });
  it('tells of a clock that is wrong, and of a stand-in', () => {
    expect(clockWords(state())).toBe('');
    const device = { name: 'Kiln', standIn: true, pace: 360, clockOffS: -7200 };
    expect(clockWords(state({ device }))).toBe(
      'It is a stand-in: no kiln is heated. Its time goes 360 times as fast. When it was reached its clock was 2 h behind.',
    );
    expect(clockWords(state({ device: null }))).toBe('');
  });
});
