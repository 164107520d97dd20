import { fitProgramme, heatFlask, plasterOf, type FlaskHeat, type ProgrammeFit } from '@zero-pour/core';
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
  }),
});

export const fit: Run<FitInput, ProgrammeFit> = async (asked, { report }) => ({
  output: fitProgramme({ ...asked, flask: filled(asked), kiln: asked.pace, fastPowder: false }, (share) =>
    report('heat', share),
  ),
});
