export { layerCount, layerExposureS, printTime, type PrintProfile, type PrintTime } from './printTime';
export { FILM_LOSS_ML, resinUse, type ResinUse } from './resinUse';
export { PLATE_GAP_MM, platePlaces } from './plateFit';
