import { EMPTY, ROW_GAP_MM, upright, type Block } from './block';
import type { CouponClass } from './couponSpec';
import { box } from './primitives';

/** Struts are this many times as tall as they are wide: slender enough to tell, stout enough to clean. */
const STRUT_SLENDERNESS = 12;
const PER_ROW = 12;
const SLOT_WALL = { thickMm: 1, heightMm: 4, fromMm: 1, openMm: 2 } as const;

/** Two or more rows of struts. */
export function strutRows({ featureMm: size, struts }: CouponClass): Block {
  const pitch = Math.max(1.2, 3 * size);
  const rows = Math.ceil(struts / PER_ROW);
  const height = STRUT_SLENDERNESS * size;
  const add = Array.from({ length: struts }, (_, i) => {
    const [x, y] = [(i % PER_ROW) * pitch, Math.floor(i / PER_ROW) * pitch];
    return upright(x, y, x + size, y + size, height);
  });
  return {
    add,
    cut: [],
    widthMm: (Math.min(struts, PER_ROW) - 1) * pitch + size,
    depthMm: (rows - 1) * pitch + size,
    heightMm: height,
    volumeMm3: struts * size * size * height,
    features: [{ kind: 'strut', sizeMm: size, count: struts }],
  };
}

/** Walls with windows as wide as the class's slots. */
export function slotWalls({ featureMm: size, slots }: CouponClass): Block {
  const rib = Math.max(0.6, 1.5 * size);
  const pitch = size + rib;
  const { thickMm, heightMm, fromMm, openMm } = SLOT_WALL;
  const block: Block = {
    ...EMPTY,
    add: [],
    cut: [],
    features: [{ kind: 'slot', sizeMm: size, count: slots }],
    heightMm,
  };
  for (let first = 0; first < slots; first += PER_ROW) {
    const inWall = Math.min(PER_ROW, slots - first);
    const y = (first / PER_ROW) * (thickMm + ROW_GAP_MM);
    const width = inWall * pitch + rib;
    block.add.push(upright(0, y, width, y + thickMm, heightMm));
    for (let i = 0; i < inWall; i++) {
      const x = rib + i * pitch;
      // Cut clear through on both faces.
      block.cut.push(box([x, y - 0.2, fromMm], [x + size, y + thickMm + 0.2, fromMm + openMm]));
    }
    block.volumeMm3 += width * thickMm * heightMm - inWall * size * thickMm * openMm;
    block.widthMm = Math.max(block.widthMm, width);
    block.depthMm = y + thickMm;
  }
  return block;
}
