import { EMPTY, ROOT_MM, upright, type Block, type CouponFeature } from './block';
import type { CouponExtra } from './couponSpec';
import { box, ROUND_AREA, type Primitive } from './primitives';

const LADDER_MM = [0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6] as const;
const LADDER_HEIGHT_MM = 4;

/** Round pins and thin walls from 0.15 to 0.6 mm: the finest that stands is seen at a glance. */
function pinsAndWalls(): Block {
  const pitch = 2.2;
  const wallLong = 3;
  const add = LADDER_MM.flatMap((size, i): Primitive[] => [
    { kind: 'pin', centre: [i * pitch + 0.5, 0.5], fromZ: -ROOT_MM, toZ: LADDER_HEIGHT_MM, diameterMm: size },
    upright(i * pitch + 0.2, 2, i * pitch + 0.2 + size, 2 + wallLong, LADDER_HEIGHT_MM),
  ]);
  const volumes = LADDER_MM.map((size) => (ROUND_AREA * size * size + size * wallLong) * LADDER_HEIGHT_MM);
  return {
    ...EMPTY,
    add,
    widthMm: (LADDER_MM.length - 1) * pitch + 1,
    depthMm: 2 + wallLong,
    heightMm: LADDER_HEIGHT_MM,
    volumeMm3: volumes.reduce((a, b) => a + b, 0),
    features: LADDER_MM.flatMap((sizeMm): CouponFeature[] => [
      { kind: 'pin', sizeMm, count: 1 },
      { kind: 'wall', sizeMm, count: 1 },
    ]),
  };
}

/** Round holes through one wall. */
function holes(): Block {
  const pitch = 1.6;
  const [thick, height] = [1, 2.5];
  const width = LADDER_MM.length * pitch + 0.6;
  const cut = LADDER_MM.map((diameterMm, i): Primitive => ({
    kind: 'bore',
    centre: [0.3 + (i + 0.5) * pitch, height / 2],
    fromY: -0.2,
    toY: thick + 0.2,
    diameterMm,
  }));
  const open = LADDER_MM.reduce((sum, d) => sum + ROUND_AREA * d * d * thick, 0);
  return {
    add: [upright(0, 0, width, thick, height)],
    cut,
    widthMm: width,
    depthMm: thick,
    heightMm: height,
    volumeMm3: width * thick * height - open,
    features: LADDER_MM.map((sizeMm) => ({ kind: 'hole', sizeMm, count: 1 })),
  };
}

const TOWER = { sideMm: 4, pitchMm: 3, storeys: 3 } as const;

/** A square tower of posts and rings alone, as thin as the finest class. */
function tower(size: number): Block {
  const { sideMm: side, pitchMm: pitch, storeys } = TOWER;
  const height = storeys * pitch + size;
  const add: Primitive[] = [];
  for (const x of [0, side - size]) {
    for (const y of [0, side - size]) add.push(upright(x, y, x + size, y + size, height));
  }
  for (let k = 1; k <= storeys; k++) {
    const [low, high] = [k * pitch, k * pitch + size];
    for (const at of [0, side - size]) {
      add.push(box([0, at, low], [side, at + size, high]), box([at, 0, low], [at + size, side, high]));
    }
  }
  const ring = 4 * (side - 2 * size) * size * size;
  return {
    ...EMPTY,
    add,
    widthMm: side,
    depthMm: side,
    heightMm: height,
    volumeMm3: 4 * size * size * height + storeys * ring,
    features: [{ kind: 'frame', sizeMm: size, count: 4 + 4 * storeys }],
  };
}

/** A long narrow tongue of raft with nothing on it: its ends rise when the resin pulls. */
const curlBar = (): Block => ({ ...EMPTY, widthMm: 30, depthMm: 1 });

/** Eight steps of 0.2 mm to measure how much deeper than drawn the light cures. */
function stepWedge(): Block {
  const [run, wide, rise, steps] = [2, 4, 0.2, 8];
  return {
    ...EMPTY,
    add: Array.from({ length: steps }, (_, i) => upright(i * run, 0, steps * run, wide, (i + 1) * rise)),
    widthMm: steps * run,
    depthMm: wide,
    heightMm: steps * rise,
    volumeMm3: wide * run * rise * ((steps * (steps + 1)) / 2),
  };
}

/** The block of one extra; the tower is as thin as the finest class. */
export const extraBlock = (extra: CouponExtra, finestMm: number): Block => {
  switch (extra) {
    case 'pins and walls':
      return pinsAndWalls();
    case 'holes':
      return holes();
    case 'tower':
      return tower(finestMm);
    case 'curl bar':
      return curlBar();
    case 'step wedge':
      return stepWedge();
  }
};
