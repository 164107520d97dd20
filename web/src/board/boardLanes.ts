import { valueOf, type Block, type BoardRow, type MoldRow, type Moment } from '@zero-pour/plan';
import { burnoutProfile, coreLine } from './burnoutProfile';
import { placeBlocks } from './placeBlocks';
import type { TimeAxis } from './timeAxis';

/** Height of a burnout profile at full scale. */
const PROFILE = 62;

/** One pour, or one mold, along the time axis. */
export interface Lane {
  key: string;
  href: string;
  /** What a screen reader calls it. */
  label: string;
  kind: 'Pour' | 'Mold';
  number: number;
  title: string;
  under: string;
  /** Undefined until it has a zero. */
  zero: number | undefined;
  poured: boolean;
  /** Nothing of it has begun that holds its zero. */
  movable: boolean;
  moments: Pick<Moment, 'at' | 'done'>[];
  blocks: ReturnType<typeof placeBlocks>;
  profile: ReturnType<typeof burnoutProfile> | undefined;
  /** The core of its widest flask, once that is reckoned; nothing of a kiln that nobody drives. */
  core: string | undefined;
  /** It went into the kiln. */
  ran: boolean;
  kilnIn: number | undefined;
  kiln: string | undefined;
}

function coreOf({ plan, times }: BoardRow, axis: TimeAxis, until: number): string | undefined {
  const reading = valueOf(plan.burnout)?.heat?.reading;
  return times && reading?.status === 'known'
    ? coreLine(reading.value.rows, times.kilnIn, until, axis, PROFILE)
    : undefined;
}

function laneOfPour(row: BoardRow, axis: TimeAxis): Lane {
  const { plan, times, pour, title } = row;
  const burnout = valueOf(plan.burnout);
  const until = times?.poured ? times.zero : Math.max(times?.kilnEnds ?? 0, times?.zero ?? 0);
  // What was poured and never was in the kiln here has no burnout to show.
  const ran = times?.kilnStarted ?? false;
  const shows = burnout && times && (ran || !times.poured);
  return {
    key: pour.id,
    href: `/pours/${pour.id}`,
    label: `Open pour ${pour.number}, ${title}`,
    kind: 'Pour',
    number: pour.number,
    title,
    under: plan.context.alloy?.name ?? 'no metal yet',
    zero: times?.zero,
    poured: times?.poured ?? false,
    movable: times !== undefined && !times.poured && !times.kilnStarted,
    moments: times?.moments.filter(({ stage }) => stage !== 'pour') ?? [],
    blocks: placeBlocks(times?.blocks ?? [], axis),
    core: shows && !burnout.lasts ? coreOf(row, axis, until) : undefined,
    profile: shows ? burnoutProfile(burnout.curve, times.kilnIn, until, axis, PROFILE) : undefined,
    ran,
    kilnIn: times?.kilnIn,
    kiln: plan.context.kiln?.name,
  };
}

function laneOfMold({ mold, times }: MoldRow, axis: TimeAxis): Lane {
  const { blocks, begins, zero } = times;
  return {
    key: mold.id,
    href: `/molds/${mold.id}`,
    label: `Open ${mold.name}`,
    kind: 'Mold',
    number: mold.number,
    title: mold.name,
    under: mold.kind,
    zero,
    poured: false,
    movable: false,
    moments: begins.map(({ at }) => ({ at, done: false })),
    blocks: placeBlocks(blocks satisfies Block[], axis),
    profile: undefined,
    core: undefined,
    ran: false,
    kilnIn: undefined,
    kiln: undefined,
  };
}

/** Pours first, then molds, each by its zero. */
export const boardLanes = (rows: readonly BoardRow[], molds: readonly MoldRow[], axis: TimeAxis): Lane[] => [
  ...rows.map((row) => laneOfPour(row, axis)),
  ...molds.map((row) => laneOfMold(row, axis)),
];
