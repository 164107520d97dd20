import { readonly, shallowRef } from 'vue';

/** A screen's clock that is off by less than this is right: an answer tells whole seconds, and takes its time. */
const OFF_FROM_MS = 90_000;
/** An answer that took longer than this tells nothing of the moment. */
const TOLD_WITHIN_MS = 10_000;

const off = shallowRef(0);

/** How far this screen's clock is ahead of the shop's machine; 0 while it is right, or nothing is known of it. ms. */
export const clockOffMs = readonly(off);

/** What an answer's Date says of this screen's clock, asked at one moment of it and answered at another. */
export function learnClock(date: string | null, askedAt: number, answeredAt: number): void {
  const told = Date.parse(date ?? '');
  if (Number.isNaN(told) || answeredAt < askedAt || answeredAt - askedAt > TOLD_WITHIN_MS) return;
  // The Date was cut to its second.
  const ahead = (askedAt + answeredAt) / 2 - (told + 500);
  off.value = Math.abs(ahead) < OFF_FROM_MS ? 0 : ahead;
}
