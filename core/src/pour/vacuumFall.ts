import { requireNumber } from '../numeric';

/** The gauge so long after the pump took hold: how far from air, kPa. */
export interface VacuumRead {
  afterS: number;
  kPa: number;
}

/** What a gauge that was read over time says. */
export interface VacuumOverTime {
  /** Best that was pulled, kPa from air, and when. */
  pulledKpa: number;
  afterS: number;
  /** How fast it was lost after that; undefined: not read again. kPa/min */
  fallsKpaPerMin: number | undefined;
}

/** Gauges count down from air, or up: what is pulled is how far it is from air. Undefined without a reading; throws InputError for no numbers. */
export function vacuumOverTime(reads: readonly VacuumRead[]): VacuumOverTime | undefined {
  for (const { afterS, kPa } of reads) {
    requireNumber('afterS', afterS, 0, 1e6);
    requireNumber('kPa', kPa, -110, 110);
  }
  const ordered = reads.map(({ afterS, kPa }) => ({ afterS, kPa: Math.abs(kPa) })).sort((a, b) => a.afterS - b.afterS); // prettier-ignore
  if (ordered.length === 0) return undefined;
  // From the first moment at its best on it is held, or lost.
  const best = ordered.reduce((a, b) => (b.kPa > a.kPa ? b : a));
  const last = ordered.at(-1)!;
  const min = (last.afterS - best.afterS) / 60;
  return {
    pulledKpa: best.kPa,
    afterS: best.afterS,
    fallsKpaPerMin: min > 0 ? (best.kPa - last.kPa) / min : undefined,
  };
}
