export {
  BORIC_SCHOOLS,
  boricAcidG,
  MIX_WASTE_PERCENT,
  mixSlurry,
  POWDER_DENSITY,
  slurryDensity,
  type BoricSchool,
  type Mix,
} from './mix';
export { investSteps, WORKING_REFERENCE_C, workingMinutes, type InvestStep } from './workingTime';
