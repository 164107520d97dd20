import type { MetalLot } from '@zero-pour/contracts';
import { demoId } from './demoId';
import { DEMO_LISTS, demoItemId } from './shop';

interface LotStory {
  name: string;
  alloy: string;
  origin: MetalLot['origin'];
  melts: number;
  moves: [daysAgo: number, what: MetalLot['moves'][number]['what'], massG: number][];
}

const STORIES: readonly LotStory[] = [
  {
    name: 'Sterling, new grain',
    alloy: 'Sterling silver',
    origin: 'bought',
    melts: 0,
    moves: [[60, 'bought', 500], [31, 'poured', -42.4], [12, 'poured', -38.15]], // prettier-ignore
  },
  {
    name: 'Sterling, buttons',
    alloy: 'Sterling silver',
    origin: 'button',
    melts: 2,
    moves: [[45, 'came back', 61.3], [31, 'poured', -42.4], [30, 'came back', 51.85], [11, 'came back', 34.6]], // prettier-ignore
  },
  {
    name: '14 ct yellow, new grain',
    alloy: '14 ct yellow gold',
    origin: 'bought',
    melts: 0,
    moves: [[40, 'bought', 100], [18, 'poured', -26.2]], // prettier-ignore
  },
  {
    name: '14 ct yellow, buttons',
    alloy: '14 ct yellow gold',
    origin: 'button',
    melts: 1,
    moves: [[17, 'came back', 33.05]],
  },
];

const DAY_MS = 24 * 3_600_000;

/** Metal that lies in the drawer of Gannet Yard, its dates counted from `now`. */
export const demoLots = (now: Date): MetalLot[] =>
  STORIES.map(({ name, alloy, origin, melts, moves }) => {
    const alloyId = demoItemId('alloy', alloy);
    return {
      id: demoId(`lot ${name}`),
      name,
      alloyId,
      origin,
      melts,
      composition: DEMO_LISTS.alloy.find(({ id }) => id === alloyId)!.composition,
      moves: moves.map(([daysAgo, what, massG], n) => ({
        key: String(n + 1),
        at: new Date(now.getTime() - daysAgo * DAY_MS).toISOString(),
        what,
        massG,
      })),
      note: '',
    };
  });
