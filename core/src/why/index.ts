export {
  chooseChange,
  confirmCause,
  OTHER,
  rankCauses,
  ruleOutCauses,
  startingCounts,
  type Cause,
  type CauseTest,
  type Change as TriedChange,
  type ChosenChange,
  type Evidence,
  type Fault,
  type RankedCause,
  type Sign,
} from './rankCauses';
export { PRINT_CHANGES, PRINT_FAULT_KEYS, PRINT_FAULTS, type PrintFaultKey } from './printFaults';
export { cutEvidence, figureSigns, heightEvidence, layerSign, oneHeight, raftSign, sign } from './signs';
export { howToKnow } from './howToKnow';
export { CAST_FAULTS, CAST_SIGNS } from './castFaults';
export { CAST_CHANGES, type CastChangeKey } from './castChanges';
