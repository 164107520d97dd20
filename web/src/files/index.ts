import { defineAsyncComponent } from 'vue';

/** The shop out and in: whole, in tables, or one thing of it. */
export const FilesPage = defineAsyncComponent(() => import('./FilesPage.vue'));
export { default as TakeShopIn } from './TakeShopIn.vue';
