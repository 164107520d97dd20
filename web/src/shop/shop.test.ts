// @vitest-environment happy-dom
import { useNotKept } from '../state/notKept';
import { knowShop } from '../state/shopKeys';
import { answerJson, TEST_SHOP } from '../testing/answers';
import {
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  SHOP_SCHEMAS,
  usualProfile,
  type Flask,
  type ShopKind,
} from '@zero-pour/contracts';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope } from 'vue';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { lastEmitted, mountInApp } from '../testing/mountInApp';
import { itemFrom, TEMPLATES } from './bookItems';
import { ITEM_FIELDS } from './itemFields';
import ItemForm from './ItemForm.vue';
import { useItemEdit } from './useItemEdit';

const kinds = Object.keys(TEMPLATES) as Exclude<ShopKind, 'profile'>[];

describe('what the book offers', () => {
  it.each(kinds)('%s: every template is a whole item', (kind) => {
    for (const template of TEMPLATES[kind]) {
      const item = itemFrom(template as never, []);
      expect(SHOP_ITEM_SCHEMAS[kind].safeParse(item).error?.issues).toBeUndefined();
    }
  });

  it('numbers a name that is taken', () => {
    const [flask] = TEMPLATES.flask;
    expect(itemFrom<'flask'>(flask!, [{ name: '51 × 64' }, { name: '51 × 64 2' }]).name).toBe('51 × 64 3');
  });

  it('makes a profile that is marked untested', () => {
    const resin = itemFrom<'resin'>(TEMPLATES.resin[0]!, []);
    const printer = itemFrom<'printer'>(TEMPLATES.printer[0]!, []);
    const profile = itemFrom<'profile'>(usualProfile(resin, printer, 'filigree'), []);
    expect(SHOP_ITEM_SCHEMAS.profile.safeParse(profile).success).toBe(true);
    expect([profile.tested, profile.castClass, profile.resinId]).toEqual([false, 'filigree', resin.id]);
  });
});

describe('forms', () => {
  /** Fields that have an editor of their own, or are not for typing. */
  const ELSEWHERE: Partial<Record<ShopKind, string[]>> = {
    resin: [
      'makerProgramme',
      'protocol',
      'protocolName',
      'protocolVersion',
      'reported',
      'bottles',
      'vats',
      'blendOf',
      'attachments',
      'retired',
    ],
    printer: ['events', 'irradianceAt', 'retired'],
    profile: [
      'name',
      'resinId',
      'printerId',
      'castClass',
      'layerMm',
      'version',
      'formerId',
      'replaced',
      'foundAt',
    ],
    alloy: ['composition', 'flask', 'metal', 'quenchWaitMin'],
    programme: ['segments'],
    powder: ['openedAt', 'makerProgramme'],
    kiln: ['measured', 'deviceUrl'],
  };

  it.each(SHOP_KINDS)('%s: every field of the record can be typed somewhere', (kind) => {
    const typed: string[] = ITEM_FIELDS[kind].map((f) => f.field);
    expect([...typed, ...(ELSEWHERE[kind] ?? []), 'againOfId'].sort()).toEqual(
      Object.keys(SHOP_SCHEMAS[kind].shape).sort(),
    );
  });

  let form: VueWrapper | undefined;
  afterEach(() => form?.unmount());

  it('hand up the changed item, and never an empty name', async () => {
    const flask = itemFrom<'flask'>(TEMPLATES.flask[2]!, []);
    form = mountInApp(ItemForm, { kind: 'flask', item: flask });
    const field = (label: string) =>
      form!
        .findAll('.v-input')
        .find((i) => i.text().startsWith(label))!
        .find('input');
    await field('Height').setValue('4 in');
    expect(lastEmitted(form, 'change')).toEqual({ ...flask, heightMm: 101.6 });
    const before = form.emitted('change')!.length;
    await field('Name').setValue('');
    await field('Height').setValue('9999');
    expect(form.emitted('change')).toHaveLength(before);
    await form.find('input[type=checkbox]').setValue(true);
    expect(lastEmitted(form, 'change')).toMatchObject({ perforated: true });
  });
});

describe('editing a thing of the shop', () => {
  const flask: Flask = {
    id: '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f',
    name: '76 × 102',
    innerDiameterMm: 76,
    heightMm: 102,
    coneDiameterMm: 25,
    coneHeightMm: 12,
    perforated: false,
    note: '',
  };
  const sent: unknown[] = [];
  let answer: () => Response;
  beforeEach(() => {
    vi.useFakeTimers();
    setActivePinia(createPinia());
    knowShop(TEST_SHOP);
    sent.length = 0;
    vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
      sent.push(JSON.parse(String(init.body)));
      return answer();
    });
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const edit = () =>
    effectScope().run(() =>
      useItemEdit(
        () => 'flask' as const,
        () => flask,
      ),
    )!;

  it('is shown at once and sent once, a moment after the last change', async () => {
    answer = () => answerJson({ ...flask, heightMm: 90 });
    const { item, standing, change } = edit();
    change({ ...flask, heightMm: 9 });
    change({ ...flask, heightMm: 90 });
    expect([item.value?.heightMm, standing.value, sent.length]).toEqual([90, 'keeping …', 0]);
    await vi.advanceTimersByTimeAsync(600);
    await flushPromises();
    expect(sent).toHaveLength(1);
    expect([standing.value, useShop().lists.flask[0]?.heightMm]).toEqual(['kept', 90]);
  });

  it('says why it is refused, and leaves what was typed', async () => {
    answer = () =>
      answerJson(
        { error: { code: 'NAME_TAKEN', sentence: 'There is already a flask with that name.' } },
        { status: 409 },
      );
    const { item, standing, change } = edit();
    change({ ...flask, name: 'taken' });
    await vi.advanceTimersByTimeAsync(600);
    await flushPromises();
    expect(useNotices().current?.text).toBe('There is already a flask with that name.');
    const not = 'not kept. There is already a flask with that name.';
    expect([item.value?.name, standing.value]).toEqual(['taken', not]);
    // Opened again, as after a reload, it is still there; let go, the form shows what is kept.
    const again = edit();
    expect([again.item.value?.name, again.standing.value]).toEqual(['taken', not]);
    useNotKept().letGo(useNotKept().entries[0]!);
    await flushPromises();
    expect([again.item.value?.name, again.standing.value]).toEqual([flask.name, 'kept']);
  });
});
