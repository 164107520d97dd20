import type { House } from '@zero-pour/contracts';
import { say } from '@zero-pour/core';
import type { PourContext } from '../context';
import type { Moment } from '../moment';
import { handsOn, type StageWork } from '../times/stageWork';

const DAY_H = 24;
/** Packing what goes away; unpacking and counting what comes back. min */
const PACK_MIN = 30;
const UNPACK_MIN = 15;

/** Names of a pour's tasks that a casting house does the rest of. */
export const SEND = 'send';
export const AWAY = 'away';

/** From handing over until it is back, h; undefined: nobody has said how long the house has it. */
export const awayH = ({ daysThere, daysWithIt, daysBack }: House): number | undefined =>
  daysWithIt === undefined ? undefined : (daysThere + daysWithIt + daysBack) * DAY_H;

/** Packed here, and unpacked here once it is back; what lies between is the house's. */
export const houseWork = ({ name }: House): { send: StageWork; back: StageWork } => ({
  send: handsOn(SEND, `pack for ${name}`, 'finish', PACK_MIN),
  back: handsOn('zero', `back from ${name}`, 'finish', UNPACK_MIN),
});

/** What a pour at a casting house asks of hands here. */
export function houseMoments({ doc }: PourContext, house: House, handedOver: number, back: number): Moment[] {
  const sent = doc.burnout.startedAt !== undefined;
  const done = doc.result.doneAt !== undefined;
  const detail = house.accepts ? say`it accepts: ${house.accepts}` : [];
  return [
    {
      stage: 'burnout',
      at: handedOver,
      what: say`Hand over to ${house.name}`,
      detail,
      done: sent,
      step: SEND,
    },
    { stage: 'burnout', at: back, what: say`Back from ${house.name}`, detail: [], done, step: 'zero' },
  ];
}
