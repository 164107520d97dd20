import './theme/theme.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { vuetify } from './theme/vuetify';

// Built pages only: while the page is worked on, its files change under their names.
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  addEventListener('load', () => void navigator.serviceWorker.register('/service-worker.js').catch(() => {}));

// A newer Zero Pour no longer has the pieces of the page that is open: it is loaded anew, once, and nothing typed is lost.
const RELOADED = 'zero-pour.reloaded';
addEventListener('vite:preloadError', () => {
  if (Date.now() - Number(sessionStorage.getItem(RELOADED) ?? 0) < 10_000) return;
  sessionStorage.setItem(RELOADED, String(Date.now()));
  location.reload();
});

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app');
