export {
  CLEAN_KINDS,
  judgeStepTime,
  protocolHours,
  USUAL_PROTOCOL,
  type CleanKind,
  type CleanStep,
} from './protocol';
