// @vitest-environment happy-dom
import { networkStateSchema, type NetworkState } from '@zero-pour/contracts';
import { createPinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { signedOut } from '../api/signedOut';
import { answerJson, answerNothing } from '../testing/answers';
import { mountInApp } from '../testing/mountInApp';
import { buttonOf, fieldOf, flatText } from '../testing/showInPour';
import NetworkPage from './NetworkPage.vue';
import SignIn from './SignIn.vue';

const OFF: NetworkState = networkStateSchema.parse({
  url: null,
  trouble: null,
  address: null,
  port: 4690,
  hasPasscode: false,
  fingerprint: null,
  addresses: [{ address: '10.0.0.7', name: 'wlan' }],
  devices: [],
});
const AT = '2026-11-24T16:54:00.000Z';
const ID = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const ON: NetworkState = {
  ...OFF,
  url: 'https://10.0.0.7:4690/',
  address: '10.0.0.7',
  hasPasscode: true,
  fingerprint: 'AB:CD',
  devices: [{ id: ID, name: 'bench phone', signedInAt: AT, seenAt: AT, endsAt: AT }],
};

let asked: [method: string, at: string, body: unknown][];
let answers: Response[];
beforeEach(() => {
  asked = [];
  vi.stubGlobal('fetch', async (at: string, init: RequestInit = {}) => {
    asked.push([
      init.method ?? 'GET',
      at,
      init.body === undefined ? undefined : JSON.parse(String(init.body)),
    ]);
    return answers.shift() ?? answerJson(OFF);
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  signedOut.value = false;
});
const show = async (...states: Response[]) => {
  answers = states;
  const page = mountInApp(NetworkPage, {}, createPinia());
  await vi.waitFor(() => expect(flatText(page)).not.toContain('Looking …'));
  return page;
};
const refusal = (code: string, status: number, sentence: string): Response =>
  answerJson({ error: { code, sentence } }, { status });

describe('the network’s page', () => {
  it('says that it is off, and wants a passcode before it opens anything', async () => {
    const page = await show(answerJson(OFF));
    expect(flatText(page)).toContain('Off. Only this machine reaches Zero Pour.');
    expect(buttonOf(page, 'Turn it on').attributes('disabled')).toBeDefined();
    await fieldOf(page, 'A passcode of the shop').setValue('short');
    expect(buttonOf(page, 'Keep it').attributes('disabled')).toBeDefined();
    await fieldOf(page, 'A passcode of the shop').setValue('long enough');
    answers = [answerJson({ ...OFF, hasPasscode: true })];
    await page.find('form').trigger('submit');
    await vi.waitFor(() =>
      expect(asked.at(-1)).toEqual(['PUT', '/api/network/passcode', { passcode: 'long enough' }]),
    );
    await vi.waitFor(() => expect(buttonOf(page, 'Turn it on').attributes('disabled')).toBeUndefined());
  });

  it('shows address, code and fingerprint while it is on, and who is in', async () => {
    const page = await show(answerJson(ON));
    for (const words of ['Open to the shop’s network', 'https://10.0.0.7:4690/', 'AB:CD', 'bench phone'])
      expect(flatText(page)).toContain(words);
    expect(page.find('svg[aria-label="Code of https://10.0.0.7:4690/"] path').attributes('d')).toMatch(
      /^M\d+ 4h1/,
    );
    answers = [answerJson({ ...ON, devices: [] })];
    await buttonOf(page, 'Sign it out').trigger('click');
    await vi.waitFor(() => expect(flatText(page)).toContain('No device is signed in.'));
    expect(asked.at(-1)?.slice(0, 2)).toEqual(['DELETE', `/api/network/devices/${ID}`]);
  });

  it('says what is wrong where it was turned on and does not answer', async () => {
    const page = await show(answerJson({ ...ON, url: null, trouble: 'Another program has that port.' }));
    expect(flatText(page)).toContain('it does not answer. Another program has that port.');
  });

  it('offers a phone only to sign itself out', async () => {
    const page = await show(refusal('ONLY_HERE', 403, 'At the machine only.'));
    expect(flatText(page)).toContain('At the machine only.');
    answers = [answerNothing(204)];
    await buttonOf(page, 'Sign this device out').trigger('click');
    await vi.waitFor(() => expect(signedOut.value).toBe(true));
  });

  it('says that there is no network to open it to', async () => {
    expect(flatText(await show(answerJson({ ...OFF, addresses: [] })))).toContain('in no network just now');
  });
});

describe('signing in', () => {
  it('says why not, and is over once the passcode was right', async () => {
    signedOut.value = true;
    const page = mountInApp(SignIn, {}, createPinia());
    expect(buttonOf(page, 'Sign in').attributes('disabled')).toBeDefined();
    await fieldOf(page, 'The shop’s passcode').setValue('guess');
    answers = [refusal('PASSCODE_WRONG', 403, 'That is not it.'), answerNothing(204)];
    await page.find('form').trigger('submit');
    await vi.waitFor(() => expect(flatText(page)).toContain('That is not it.'));
    expect(signedOut.value).toBe(true);
    await fieldOf(page, 'Whose device').setValue(' bench phone ');
    await page.find('form').trigger('submit');
    await vi.waitFor(() => expect(signedOut.value).toBe(false));
    expect(asked.at(-1)).toEqual(['POST', '/api/sign-in', { passcode: 'guess', name: 'bench phone' }]);
  });
});
