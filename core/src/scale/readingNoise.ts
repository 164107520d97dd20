/** What readings are believed to scatter by before any was taken: one sd, mm, and how many readings' worth of trust it has. */
export interface NoisePrior {
  sdMm: number;
  dof: number;
}

/**
 * Variance of single readings by their scatter: σ² = (ν₀·σ₀² + SSE)/(ν₀ + ν) (handbook 03, "Calibration"). Scatter above
 * what is assumed counts as it is: the assumption must not make a rough hand look steady. mm².
 */
export function noiseFrom(sse: number, dof: number, prior: NoisePrior): { variance: number; dof: number } {
  const blended = (prior.dof * prior.sdMm ** 2 + sse) / (prior.dof + dof);
  const seen = dof > 0 ? sse / dof : 0;
  return seen > blended
    ? { variance: seen, dof: Math.max(dof, LEAST_DOF) }
    : { variance: blended, dof: prior.dof + dof };
}

/** One or two readings beyond the line tell so little of their spread that Student's t would say nothing at all. */
const LEAST_DOF = 3;
