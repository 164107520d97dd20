import { shallowRef } from 'vue';

/** Whether the quick sums are open over the page: by key from anywhere, or by a button. */
export const quickSumsOpen = shallowRef(false);
