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
  BUTTON_SHARE_MIN,
  buttonVolumeCm3,
  chargeByVolume,
  splitCharge,
  volumeOfWeighedPrint,
  type Charge,
  type ChargeVolumes,
} from './charge';
