// @vitest-environment happy-dom
import type { Resin } from '@zero-pour/contracts';
import { layCoupon, type CouponSpec } from '@zero-pour/core';
import type { VueWrapper } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useFakeShop } from '../../testing/fakeServer';
import CouponView from './CouponView.vue';

const asked: CouponSpec[] = [];
const saved: string[] = [];
vi.mock('../../jobs/runJob', () => ({
  whyNot: (error: unknown) => String(error),
  runJob: (job: { name: string }, input: { spec: CouponSpec; to?: string }) => {
    asked.push(input.spec);
    const shape = { positions: new Float32Array(9), triangles: new Uint32Array(3), volumeMm3: 800 };
    return Promise.resolve({
      output: job.name === 'coupon' ? shape : new TextEncoder().encode(input.to),
    });
  },
}));
vi.mock('../../pattern/saveFile', () => ({ saveFile: (_: Blob, name: string) => saved.push(name) }));

const shop = useFakeShop();
beforeEach(() => {
  asked.splice(0);
  saved.splice(0);
});

const wax = (): Resin => shop.file.lists.resin.find((r) => r.name === 'Skerry Wax 55')!;
const open = (): VueWrapper => shop.show(CouponView, { resin: wax() });
const box = (of: VueWrapper, label: string) =>
  of
    .findAll('.v-checkbox')
    .find((c) => c.text() === label)!
    .find('input');
const kept = (): CouponSpec =>
  Object.values(JSON.parse(localStorage.getItem('zp-coupon') ?? '{}') as Record<string, CouponSpec>)[0]!;
const line = (of: VueWrapper, name: string): string =>
  of
    .findAll('dl > div')
    .find((d) => d.text().startsWith(name))!
    .text();

describe('the coupon maker', () => {
  it('begins with the last coupon of the resin, its seconds engraved', async () => {
    const coupon = open();
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({ label: '3.7 S', extras: ['curl bar'] });
    expect(asked[0]!.classes.map((c) => c.castClass)).toEqual(['filigree', 'standard', 'heavy']);
    expect(line(coupon, 'Features')).toContain('144');
    expect(line(coupon, 'Resin')).toContain((layCoupon(asked[0]!).volumeMm3 / 1000).toFixed(2));
  });
  it('keeps what is on it for the next trial, and never an empty one', async () => {
    const coupon = open();
    for (const name of ['Standard', 'Heavy', 'curl bar']) await box(coupon, name).setValue(false);
    expect(kept()).toMatchObject({ extras: [] });
    expect(kept().classes.map((c) => c.castClass)).toEqual(['filigree']);
    await box(coupon, 'Filigree').setValue(false);
    expect(kept().classes).toHaveLength(1);
    await box(coupon, 'tower').setValue(true);
    expect(kept().extras).toEqual(['tower']);
    expect(line(coupon, 'Features')).toContain(String(48 + 16));
  });
  it('is built anew a moment after the last change', async () => {
    const coupon = open();
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    for (const name of ['holes', 'step wedge']) await box(coupon, name).setValue(true);
    await vi.waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]!.extras).toEqual(['curl bar', 'holes', 'step wedge']);
  });
  it('is saved under the resin, the printer and the seconds', async () => {
    const coupon = open();
    await coupon
      .findAll('button')
      .find((b) => b.text() === 'Save as 3MF')!
      .trigger('click');
    await vi.waitFor(() => expect(saved).toEqual(['coupon Skerry Wax 55 Printer A 3.7 S.3mf']));
    expect(kept().classes).toHaveLength(3);
  });
  it('has a sheet with a box for every count', () => {
    const sheet = open().find('.coupon-sheet');
    expect(sheet.findAll('thead th')).toHaveLength(2 + 6 + 4);
    expect(sheet.findAll('tbody tr')).toHaveLength(4);
    expect(sheet.text()).toContain('Print the first at 3.7 s, the next as Tune says');
    expect(sheet.text()).toContain('Check your local code');
  });
});
