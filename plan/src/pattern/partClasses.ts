import { classifyPart, say, type CastClass, type Judgement } from '@zero-pour/core';
import { patternJob, pieceOf } from '@zero-pour/jobs';
import type { PourContext } from '../context';

/** Of several parts the finest decides: it is lost first. */
const FINEST_FIRST: readonly CastClass[] = ['filigree', 'mixed', 'standard', 'heavy'];

/** The class that the pour's parts ask for by their thickness; undefined until all of them are read. */
export function classByThickness(context: PourContext): { castClass: CastClass; of: string } | undefined {
  const read = context.parts.map(({ pattern }) => {
    const reading = context.readings.of(patternJob, pieceOf(pattern));
    if (reading.status !== 'known' || reading.value.result.status !== 'analysed') return undefined;
    const { partClass } = classifyPart(reading.value.result.analysis.thickness.histogramMm3);
    return { castClass: partClass, of: pattern.name };
  });
  if (read.length === 0 || read.includes(undefined)) return undefined;
  return FINEST_FIRST.map((c) => read.find((one) => one?.castClass === c)).find((one) => one !== undefined);
}

/** A class that is not what the thickness says: exposure, flask and metal go by it. */
export function judgeClass(context: PourContext): Judgement[] {
  const { castClass: chosen } = context.doc.brief;
  const thick = classByThickness(context);
  if (!thick || thick.castClass === chosen) return [];
  return [
    {
      rule: 'class',
      weight: 'watch',
      lead: `Reads ${thick.castClass}, set to ${chosen}.`,
      why: say`By its thickness ${thick.of} is ${thick.castClass}. Exposure, flask and metal go by ${chosen} as it is set.`,
    },
  ];
}
