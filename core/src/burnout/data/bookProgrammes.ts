import type { Segment } from '../programme';

/** A burnout programme as it ships; the shop edits copies. */
export interface BookProgramme {
  name: string;
  /** What it is meant for. */
  suits: string;
  /** Largest flask, inner diameter in mm. */
  flaskMaxMm: number;
  segments: readonly Segment[];
}

const TURN = 'Turn the flask, button up';
const CHECK = 'Check the flask and the kiln';

/** Bigger flasks take longer to heat through: longer steam hold, clean-out and soak. */
const SIZES = [
  { label: 'to 65 mm', flaskMaxMm: 65, steamH: 2, carbonH: 3, soakH: 1.5 },
  { label: 'to 80 mm', flaskMaxMm: 80, steamH: 2.5, carbonH: 4, soakH: 2 },
  { label: 'to 100 mm', flaskMaxMm: 100, steamH: 3.5, carbonH: 5, soakH: 2.5 },
] as const;
type Size = (typeof SIZES)[number];

const segment = (
  name: string,
  rampCPerH: number | null,
  targetC: number | null,
  holdH: number,
  rest: Partial<Segment> = {},
): Segment => ({ name, rampCPerH, targetC, holdH, flaskWay: 'button up', hands: [], note: '', ...rest });

function stepped(size: Size, swellRamp: number, swellHoldH: number): Segment[] {
  return [
    segment('Steam and drain', 130, 150, size.steamH, {
      flaskWay: 'button down',
      hands: [{ afterH: 2, what: TURN }],
      note: 'Water leaves, wax drains.',
    }),
    segment('Resin swells, gasifies', swellRamp, 370, swellHoldH, {
      note: 'Slow: too fast cracks the mold.',
    }),
    segment('Carbon burns', 105, 730, size.carbonH, { note: 'Needs air.' }),
    segment('To casting temperature', null, null, size.soakH, { note: 'Until the core agrees.' }),
  ];
}

/**
 * Shop programmes of handbook 07 ("Programme", "Why each stage"): each kind for three flask sizes.
 * Starting values; the resin's and the powder's own sheets come before them.
 */
export const BOOK_PROGRAMMES: readonly BookProgramme[] = SIZES.flatMap((size) => [
  {
    name: `Stepped, wax-rich, flask ${size.label}`,
    suits: 'wax-rich and low-wax resins',
    flaskMaxMm: size.flaskMaxMm,
    segments: stepped(size, 110, 1.5),
  },
  {
    name: `Stepped, wax-free, flask ${size.label}`,
    suits: 'wax-free and low-wax resins',
    flaskMaxMm: size.flaskMaxMm,
    segments: stepped(size, 90, 2),
  },
  {
    name: `Fast, flask ${size.label}`,
    suits: 'resin and powder both made for a hot kiln',
    flaskMaxMm: size.flaskMaxMm,
    segments: [
      segment('Into the hot kiln', null, 730, size.carbonH, {
        hands: [{ afterH: 1, what: CHECK }],
        note: 'Kiln at temperature before the flask goes in.',
      }),
      segment('To casting temperature', null, null, size.soakH),
    ],
  },
  {
    name: `Injected wax, flask ${size.label}`,
    suits: 'wax from a rubber or printed mold',
    flaskMaxMm: size.flaskMaxMm,
    segments: [
      segment('Dewax', 150, 150, size.steamH, {
        flaskWay: 'button down',
        hands: [{ afterH: 2, what: TURN }],
      }),
      segment('Through the middle', 150, 370, 1),
      segment('Carbon burns', 150, 730, size.carbonH - 1),
      segment('To casting temperature', null, null, size.soakH),
    ],
  },
]);
