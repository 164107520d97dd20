import { shallowRef } from 'vue';

/** Whether something is being noted over the page: by key from anywhere, or by the button of a phone. */
export const captureOpen = shallowRef(false);
