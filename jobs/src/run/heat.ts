import {
  fitProgramme,
  fitWithin,
  heatFlask,
  plasterOf,
  type FlaskHeat,
  type ProgrammeFit,
} from '@zero-pour/core';
import type { FitInput, FlaskInput, HeatInput } from '../heat';
import type { Run } from './context';

const filled = ({ innerDiameterMm, heightMm, shellMm, ratio, patternsMm }: FlaskInput) => ({
  body: { innerDiameterMm, heightMm, shellMm },
  plaster: plasterOf(ratio),
  patternsMm: Math.min(patternsMm, innerDiameterMm / 2),
});

export const heat: Run<HeatInput, FlaskHeat> = async (asked) => ({
  output: heatFlask({
    ...filled(asked),
    kiln: asked.kiln.map(([h, tempC]) => ({ h, tempC })),
    ...(asked.airMin === undefined ? {} : { airMin: asked.airMin }),
    ...(asked.airC === undefined ? {} : { airC: asked.airC }),
  }),
});

export const fit: Run<FitInput, ProgrammeFit> = async ({ withinH, ...asked }, { report }) => {
  const wanted = { ...asked, flask: filled(asked), kiln: asked.pace, fastPowder: false };
  const tell = (share: number): void => report('heat', share);
  return { output: withinH === undefined ? fitProgramme(wanted, tell) : fitWithin(wanted, withinH, tell) };
};
