import './theme/theme.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { vuetify } from './theme/vuetify';

// Built pages only: while the page is worked on, its files change under their names.
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  addEventListener('load', () => void navigator.serviceWorker.register('/service-worker.js').catch(() => {}));

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app');
