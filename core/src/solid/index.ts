export { boundaryTest, boundaryTriangles, isSolid } from './boundary';
export { columnsOf, frameRound, type CellFrame, type ColumnGrid } from './columnGrid';
export { cutSolid, OPEN_SHARE_MAX } from './cutSolid';
export { crossColumns, solidRuns, sweepDexels, type Dexels } from './dexels';
export {
  allBricks,
  BRICK_CELLS,
  bricksNearSolid,
  bricksRound,
  cellAt,
  cellOf,
  entryOf,
  fillSolid,
  type Bricks,
} from './bricks';
export { FAR, measureDistances } from './distance';
export { distancesInside, distancesOutside } from './solidGrid';
export { staysWithin } from './crest';
export { CLIMB_OPPOSED, ridgeCells, RIDGE_SPACING, thinRidge } from './ridge';
export {
  BallFinder,
  concatBalls,
  filterBalls,
  joinBalls,
  largestFirst,
  refineBalls,
  refineInOrder,
  type Ball,
  type Balls,
  type RefineOptions,
} from './balls';
export { fillRims, paintBalls, sizeHistogram, sizePercentile, SIZE_PER_MM } from './localSize';
export { longestSide2 } from './onTriangle';
export { TriangleTree, type Closest } from './triangleTree';
export { WindingField } from './windingNumber';
export { measureSolidVolume, type SolidVolume } from './solidVolume';
export { joined, splitShells, uniteShells, type BooleanEngine, type ExactUnion } from './exactUnion';
export { findPeaks, type AllPeaks, type Peak, type PeakTree } from './peaks';
export { areaInBall, volumeInBall } from './modulus';
export { findSealedVoids, type SealedVoid } from './voids';
export { findAirPockets, type AirPocket } from './airPockets';
export { measureDepths, openCells } from './gaps';
export { acrossAxis, findThroughHoles, type ThroughHole } from './throughHoles';
export { UnionFind } from './unionFind';
export { denseField, type DenseField } from './denseField';
export { findChamberCells } from './chambers';
export { rayHit } from './rayHit';
