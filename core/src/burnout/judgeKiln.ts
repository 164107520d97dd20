import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';

/** The widest flask against what the programme is written for, mm. */
export function judgeFlaskSize(widestMm: number, flaskMaxMm: number): Judgement[] {
  if (widestMm <= flaskMaxMm) return [];
  return [
    {
      rule: 'flask size',
      weight: 'watch',
      lead: 'Flask larger than the programme.',
      why: say`${quantity(widestMm, 'mm', 0)} across; it is written for ${quantity(flaskMaxMm, 'mm', 0)}. Hold longer, or take the larger one.`,
    },
  ];
}

/** The programme's hottest against what the kiln reaches. */
export function judgePeak(peakC: number, kiln: { name: string; maxC: number }): Judgement[] {
  if (peakC <= kiln.maxC) return [];
  return [
    {
      rule: 'kiln max',
      weight: 'stop',
      lead: `Hotter than ${kiln.name} goes.`,
      why: say`${quantity(peakC, 'degC')} asked; it reaches ${quantity(kiln.maxC, 'degC')}.`,
    },
  ];
}
