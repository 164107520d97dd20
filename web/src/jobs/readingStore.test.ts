// @vitest-environment happy-dom
import { NO_ROTATION } from '@zero-pour/core';
import { heatJob, jobText, standingInput, standingJob } from '@zero-pour/jobs';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { answerJson } from '../testing/answers';
import { useReadings } from './readingStore';

const found = { points: [], islands: [], bothSides: false, more: false };
vi.mock('./runJob', async (original) => ({
  ...(await original<typeof import('./runJob')>()),
  runJob: () => Promise.resolve({ output: found }),
}));
const part = { file: 'a'.repeat(64), format: 'stl', unitMm: 1 } as const;
const INPUT = standingInput({ part, rotation: NO_ROTATION, layerMm: 0.05 });
beforeEach(() => setActivePinia(createPinia()));
afterEach(() => vi.unstubAllGlobals());

it('has what was worked out here, also where no server answers to keep it', async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no answer')));
  expect(await useReadings().make(standingJob, INPUT)).toEqual(found);
  expect(useReadings().of(standingJob, INPUT)).toEqual({ status: 'known', value: found });
});

it('says so where a server answers and will not keep it', async () => {
  const refused = { error: { code: 'BAD_REQUEST', sentence: 'This cannot be kept.' } };
  vi.stubGlobal('fetch', (_: string, { method = 'GET' }: RequestInit = {}) =>
    Promise.resolve(method === 'GET' ? answerJson({ output: null }) : answerJson(refused, { status: 422 })),
  );
  await expect(useReadings().make(standingJob, INPUT)).rejects.toThrow('This cannot be kept.');
});

it('makes what belongs to no file here and asks no server for it', async () => {
  const asked = vi.fn(() => Promise.reject(new TypeError('no answer')));
  vi.stubGlobal('fetch', asked);
  const input = { innerDiameterMm: 76, heightMm: 102, shellMm: 2, ratio: 0.4, kiln: [[0, 20]], patternsMm: 22 } as never; // prettier-ignore
  const wanted = { job: heatJob.name, input, text: jobText(heatJob, input) };
  const ordered = useReadings().order(wanted);
  expect(useReadings().of(heatJob, input)).toEqual({ status: 'working', share: 0 });
  await ordered;
  expect(useReadings().of(heatJob, input)).toEqual({ status: 'known', value: found });
  expect(asked).not.toHaveBeenCalled();
});
