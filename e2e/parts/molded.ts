import { writeBinaryStl } from '@zero-pour/core';
import { lathe, type TestMesh } from '../../core/src/testing/solids';

const stlOf = ({ positions, triangles }: TestMesh): Uint8Array => writeBinaryStl(positions, triangles);

/** A plain signet blank's face: round, flat behind, domed before. */
export const signetBlank = (): Uint8Array =>
  stlOf(lathe([[0, 0], [7, 0], [7, 1.2], [5.5, 2.6], [3, 3.2], [0, 3.4]], 72)); // prettier-ignore

/** A boss of 20 mm whose waist is hollowed by 0.4 mm all round. */
export const waistedBoss = (): Uint8Array =>
  stlOf(lathe([[0, 0], [10, 0], [9.6, 2], [9.6, 4], [10, 6], [0, 6]], 96)); // prettier-ignore
