export { CAUTIONS, type Caution, type CautionKey } from './data/cautions';
