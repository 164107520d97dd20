export { plasterOf, PLASTER, type Plaster } from './plaster';
export { KILN_AIR, SHELL_MM, type FlaskBody, type Surroundings } from './flaskGrid';
export { heatFlask, type FlaskHeat, type HeatOfFlask, type HeatRow, type HeatSection } from './heatFlask';
export { kilnAt, type KilnPoints } from './kilnPoints';
export { fitProgramme, type FitAim, type FitAsked, type FitChange, type ProgrammeFit } from './fitProgramme';
export { CORE_OFF_C, judgeCore, STEAM_RIM_C, type CoreLimits } from './judgeCore';
export { judgeOut } from './judgeOut';
export { fitWithin } from './fitWithin';
export { heaviestLoad, judgeLoad, type KilnLoad } from './judgeLoad';
