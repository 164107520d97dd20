import type { SupportAdvice } from '@zero-pour/core';

/** What is said of the supports, each line a matter of its own; the gravest first. */
export interface SupportLine {
  grave: boolean;
  text: string;
}

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** Advice in words. `supported`: the file carries its supports already. */
export function supportLines(advice: SupportAdvice, supported: boolean): SupportLine[] {
  const { points, islands, bothSides, more } = advice;
  const midAir = counted(islands.length, 'place begins', 'places begin');
  if (supported)
    return islands.length > 0
      ? [{ grave: true, text: `${midAir} in mid-air in spite of the file’s supports: marked with a triangle. It is lost there; add a support.` }] // prettier-ignore
      : [{ grave: false, text: 'With the file’s own supports nothing begins in mid-air.' }];
  const lines: SupportLine[] = [];
  if (islands.length > 0)
    lines.push({ grave: true, text: `${midAir} in mid-air: a support under each triangle.` });
  const closed = points.filter((p) => p.cut === 'closed in').length;
  const hard = points.filter((p) => p.cut === 'hard').length;
  if (closed > 0)
    lines.push({ grave: true, text: `${counted(closed, 'support is', 'supports are')} closed in: cutters do not reach ${closed === 1 ? 'it' : 'them'}. Turn the part, or open it.` }); // prettier-ignore
  if (hard > 0)
    lines.push({ grave: false, text: `${counted(hard, 'support is', 'supports are')} hard to cut (crossed): less than 3 mm of room. The knife, or another way up.` }); // prettier-ignore
  const onPart = points.filter((p) => p.onPart).length;
  if (onPart > 0)
    lines.push({ grave: false, text: `${counted(onPart, 'foot stands', 'feet stand')} on the part itself and ${onPart === 1 ? 'leaves its mark' : 'leave their marks'} there.` }); // prettier-ignore
  if (points.length === 0) return [...lines, { grave: false, text: 'It stands by itself: no supports.' }];
  const of = (weight: string): number => points.filter((p) => p.weight === weight).length;
  const anchors = points.filter((p) => p.anchor).length;
  const weights = `${of('heavy')} heavy, ${of('middle')} middle, ${of('fine')} fine`;
  const first = anchors > 0 ? ` The ${anchors === 1 ? 'first one carries' : `first ${anchors} carry`} it from the start: thick.` : ''; // prettier-ignore
  lines.push({ grave: false, text: `${more ? 'More than ' : ''}${counted(points.length, 'support', 'supports')}: ${weights}.${first}` }); // prettier-ignore
  if (bothSides)
    lines.push({ grave: false, text: 'Both sides are held alike: an unsupported side pulls oval.' });
  return lines;
}
