import type { Pour, Slip } from '@zero-pour/contracts';
import { demoId } from './demoId';

/** What lies in the inbox, hours before now: by the number of its pour, or of none. */
const SLIPS: readonly [hoursAgo: number, text: string, pour: number | null][] = [
  [2, 'Kiln 1 sounds rougher on the way up than last week, relay clicks twice.', 29],
  [20, 'Second bottle of Skerry Low-Ash opened, smells stronger.', null],
  [26, 'Plate corner by the door lifted a little, watch it on the next one.', 30],
];

/** Slips noted at the benches of Gannet Yard that nobody has sorted yet. */
export const demoSlips = (pours: readonly Pour[], now: Date): Slip[] =>
  SLIPS.map(([hoursAgo, text, number]) => {
    const pour = pours.find((one) => one.number === number);
    return {
      id: demoId(`slip ${text}`),
      at: new Date(now.getTime() - hoursAgo * 3_600_000).toISOString(),
      text,
      photos: [],
      about: pour ? { kind: 'pour', id: pour.id } : null,
      sortedAt: null,
    };
  });
