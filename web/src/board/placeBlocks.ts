import { STAGES } from '@zero-pour/core';
import type { Block } from '@zero-pour/plan';
import type { TimeAxis } from './timeAxis';

const NAMES = new Map<string, string>([
  ...STAGES.map(({ key, name }): [string, string] => [key, name.toLowerCase()]),
  ['wax', 'waxes'],
]);
/** Pixels that a letter of a block's name takes, and the room beside the name. */
const LETTER = 6.6;
const BESIDE = 8;
/** A block is never thinner, or it cannot be seen. */
const THINNEST = 3;

/** Blocks that fall in the axis's stretch, cut to it, each with its name where that has room. */
export const placeBlocks = (blocks: readonly Block[], { from, to, x: xOf }: TimeAxis) =>
  blocks
    .filter((block) => block.to > from && block.from < to)
    .map((block) => {
      const x = xOf(Math.max(block.from, from));
      const w = Math.max(THINNEST, xOf(Math.min(block.to, to)) - x - 1.5);
      const name = block.name ?? NAMES.get(block.work) ?? block.work;
      return { ...block, x, w, name, label: w > name.length * LETTER + BESIDE ? name : '' };
    });
