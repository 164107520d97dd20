// @vitest-environment happy-dom
import { createPinia } from 'pinia';
import { defineComponent } from 'vue';
import { useRouter, type Router } from 'vue-router';
import { expect, it } from 'vitest';
import { mountInApp } from '../testing/mountInApp';
import { useNotices } from './notices';
import { useThenOpen } from './useThenOpen';

function mounted() {
  let thenOpen!: ReturnType<typeof useThenOpen>;
  let router!: Router;
  let notices!: ReturnType<typeof useNotices>;
  const page = defineComponent({
    setup() {
      thenOpen = useThenOpen();
      router = useRouter();
      notices = useNotices();
      return () => null;
    },
  });
  mountInApp(page, {}, createPinia());
  return { thenOpen, router, notices };
}

it('opens what was added', async () => {
  const { thenOpen, router } = mounted();
  await router.push('/shop/kiln');
  expect(await thenOpen(async () => '/shop/kiln/k1')).toBe(true);
  expect(router.currentRoute.value.fullPath).toBe('/shop/kiln/k1');
});

it('does not pull back whoever has gone on while it was being added', async () => {
  const { thenOpen, router } = mounted();
  await router.push('/shop/kiln');
  const added = thenOpen(async () => {
    await router.push('/shop/programme');
    return '/shop/kiln/k1';
  });
  expect(await added).toBe(true);
  expect(router.currentRoute.value.fullPath).toBe('/shop/programme');
});

it('stays and tells when it could not be done', async () => {
  const { thenOpen, router, notices } = mounted();
  await router.push('/shop/kiln');
  expect(await thenOpen(() => Promise.reject(new Error('no room')))).toBe(false);
  expect(router.currentRoute.value.fullPath).toBe('/shop/kiln');
  expect(JSON.stringify(notices.$state)).toContain('no room');
});
