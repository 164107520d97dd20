import { mount, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { createVuetify } from 'vuetify';
import type { Component } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';

/** Mounts a component with the framework, the stores and a router, as the application does. */
export function mountInApp(
  component: Component,
  props: Record<string, unknown>,
  pinia = createPinia(),
  query: Record<string, string> = {},
): VueWrapper {
  setActivePinia(pinia);
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)*', component: { template: '<i/>' } }],
  });
  // Known before the page is there, as it is in the application.
  router.currentRoute.value = { ...router.currentRoute.value, query };
  return mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [pinia, router, createVuetify()] },
  });
}

/** What a component last told its parent under an event's name. */
export const lastEmitted = (wrapper: VueWrapper, event: string): unknown =>
  wrapper.emitted(event)?.at(-1)?.[0];
