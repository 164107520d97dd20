import { benchClock, pouredAt, type House } from '@zero-pour/contracts';
import { countBack, HOUR_MS } from '@zero-pour/core';
import { awayH, houseWork } from '../burnout/house';
import type { Moment } from '../moment';
import { known, lacking, missing, type Planned } from '../planned';
import type { PourClock, Sight } from '../stage';
import type { Block } from './block';
import type { TimePlan } from './clocked';
import { plannedBlock, workAhead } from './work';

const ms = (moment: string | undefined): number | undefined =>
  moment === undefined ? undefined : Date.parse(moment);

/** A pour that a casting house burns out and pours: counted back from when it is wanted back. */
export function planHouseTimes(
  sight: Sight,
  house: House,
  done: { blocks: Block[]; momentsOf: (sight: Sight, clock: PourClock) => Moment[] },
): Planned<TimePlan> {
  const { context } = sight;
  const { doc, settings } = context;
  const hours = awayH(house);
  const wanted = ms(doc.brief.zeroAt);
  const sent = ms(doc.burnout.startedAt);
  const poured = pouredAt(doc) !== undefined;
  const zeroKnown = wanted ?? sent;
  if (hours === undefined || zeroKnown === undefined)
    return missing(
      lacking(
        [zeroKnown, 'the wanted time', 'brief'],
        [hours, `how many days ${house.name} has it`, 'burnout'],
      ),
    );
  const back = sent === undefined ? undefined : sent + hours * HOUR_MS;
  const zero = Math.max(wanted ?? 0, back ?? 0);
  const handedOver = sent ?? zero - hours * HOUR_MS;
  const { send } = houseWork(house);
  const steps = [...workAhead(sight), ...(sent === undefined ? [send] : [])];
  // Whether somebody is there is asked of the handing over and of the coming back; in between it is the house's.
  const counted = countBack(zero, steps, (zero - handedOver) / HOUR_MS, [], benchClock(settings));
  const name = (what: string): string =>
    what === 'Kiln in' ? `Handing over to ${house.name}` : `Back from ${house.name}`;
  const begins = Object.fromEntries([...counted.steps].reverse().map(({ key, from }) => [key, from]));
  const away: Block = { work: 'burnout', name: `at ${house.name}`, from: handedOver, to: zero, state: sent === undefined ? 'planned' : 'running', attended: false }; // prettier-ignore
  return known({
    zero,
    wanted,
    kilnIn: handedOver,
    kilnEnds: zero,
    kilnStarted: sent !== undefined,
    poured,
    blocks: [...done.blocks, ...counted.steps.map((one, i) => plannedBlock(one, steps[i]!, context)), away],
    moments: done.momentsOf(sight, { zero, kilnIn: handedOver, kilnH: (zero - handedOver) / HOUR_MS, burnout: undefined, begins }), // prettier-ignore
    conflicts: poured
      ? []
      : [
          ...counted.conflicts
            .filter(({ what }) => sent === undefined || what !== 'Kiln in')
            .map(({ what, at }) => ({ what: name(what), at })),
          ...counted.steps.flatMap(({ outside, from }, i) => (outside ? [{ what: `No bench hours long enough for ${steps[i]!.name}`, at: from }] : [])), // prettier-ignore
        ],
    civilZero: counted.civilZero,
    start: Math.min(counted.start, handedOver),
  });
}
