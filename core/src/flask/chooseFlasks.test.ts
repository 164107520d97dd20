import { describe, expect, it } from 'vitest';
import { chooseFlasks } from './chooseFlasks';
import type { FlaskRoom, HungTree } from './hangTree';

const room = (innerDiameterMm: number): FlaskRoom => ({ innerDiameterMm, heightMm: 100, coneHeightMm: 10 });
/** A flask takes a piece for each ten mm across, from 50 mm on. */
const hang = ({ innerDiameterMm }: FlaskRoom, counts: readonly number[]): HungTree => {
  let space = innerDiameterMm < 50 ? 0 : innerDiameterMm / 10;
  const left = counts.map((n) => {
    const here = Math.min(space, n);
    space -= here;
    return n - here;
  });
  const hung = counts.reduce((sum, n) => sum + n, 0) - left.reduce((sum, n) => sum + n, 0);
  const piece = { kind: 0, angleDeg: 0, awayMm: 3, heightMm: 20, tiltDeg: 45, spinDeg: 0 };
  const miss = hung > 0 ? null : { what: 'wall' as const, mm: 50 - innerDiameterMm };
  // The second kind wants a flask of 90 mm.
  const cannot = counts.map((_, kind) => {
    const mm = (kind === 1 ? 90 : 50) - innerDiameterMm;
    return mm > 0 ? { what: 'wall' as const, mm } : null;
  });
  return { pieces: Array.from({ length: hung }, () => piece), left, mainSprueMm: 20, miss, cannot };
};
const roomsOf = (
  wish: Parameters<typeof chooseFlasks>[2],
  counts: number[],
  rooms = [room(70), room(50), room(100)],
) => {
  const chosen = chooseFlasks(rooms, counts, wish, hang);
  return { rooms: chosen.trees.map((t) => rooms[t.room]!.innerDiameterMm), left: chosen.left };
};

describe('flasks for an order', () => {
  it('are the one that is there, with what it does not take left over', () => {
    expect(roomsOf('here', [4, 6])).toEqual({ rooms: [70], left: [0, 3] });
  });
  it('are the smallest that takes all, or the one that takes most', () => {
    expect(roomsOf('smallest', [5])).toEqual({ rooms: [50], left: [0] });
    expect(roomsOf('smallest', [6])).toEqual({ rooms: [70], left: [0] });
    expect(roomsOf('smallest', [14])).toEqual({ rooms: [100], left: [4] });
  });
  it('are as few as do, the last no larger than it must be', () => {
    expect(roomsOf('fewest', [10, 14])).toEqual({ rooms: [100, 100, 50], left: [0, 0] });
    expect(roomsOf('fewest', [13])).toEqual({ rooms: [100, 50], left: [0] });
  });
  it('name the kind that hangs in none of them, with its least miss', () => {
    const rooms = [room(50), room(70)];
    expect(chooseFlasks(rooms, [9, 2], 'smallest', hang).cannot).toEqual([
      null,
      { what: 'wall', mm: 20, room: 1 },
    ]);
    // Once a flask takes it, what is left over is for want of room only.
    expect(chooseFlasks([...rooms, room(90)], [9, 2], 'smallest', hang).cannot).toEqual([null, null]);
    expect(chooseFlasks(rooms, [5, 0], 'smallest', hang).cannot).toEqual([null, null]);
  });
  it('are none where nothing fits, with the least miss and its flask', () => {
    const chosen = chooseFlasks([room(30), room(44)], [3], 'smallest', hang);
    expect(chosen).toMatchObject({ trees: [], left: [3], miss: { what: 'wall', mm: 6, room: 1 } });
    expect(chooseFlasks([], [3], 'fewest', hang)).toEqual({
      trees: [],
      left: [3],
      miss: null,
      cannot: [null],
    });
  });
});
