import { shallowRef } from 'vue';

/** Whether this device is not signed in, or not any more: nothing is told to it until it is. */
export const signedOut = shallowRef(false);
