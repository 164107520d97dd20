export { alloyDensity, ELEMENT_DENSITIES, type Composition, type Element } from './density';
export {
  BOOK_ALLOYS,
  CAST_CLASSES,
  type BookAlloy,
  type CastClass,
  type ClassRange,
  type Divest,
} from './data/bookAlloys';
export {
  BUTTON,
  BUTTON_SHARE_MIN,
  buttonVolumeCm3,
  CHARGE,
  CHARGE_PART,
  chargeByVolume,
  METAL_LOST,
  NEW_METAL,
  REUSED_METAL,
  volumeOfWeighedPrint,
  WAX_VOLUME,
  WEIGHED_VOLUME,
  type Charge,
  type ChargeVolumes,
} from './charge';
export { judgeReuse, judgeTreeWeight, judgeWays, type WayClues } from './judgeCharge';
export { meltOf, type KnownMelt, type Melt } from './melt';
export { alloyTo, SOURCES_MOST, type Alloying, type AlloySource } from './alloying';
export {
  finenessOf,
  judgeLots,
  judgeStock,
  MELTS_MOST,
  mixLots,
  stockG,
  type LotMove,
  type LotShare,
  type MixedMetal,
} from './lots';
export { priceOfAlloy, type AlloyPrice, type MetalPrices } from './prices';
