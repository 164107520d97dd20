import type { Pattern, PourDoc, PrintedPlate } from '@zero-pour/contracts';
import { measureStance, NO_ROTATION, printTime } from '@zero-pour/core';
import { DEMO_LISTS } from '../shop';
import { DEMO_LINE, type PourStory } from './pourStory';

/** What the shop's printers really take a layer, s: a little more than their makers say. */
const TRUE_MOTION_S: Record<string, number> = { 'Printer A': 6.9, 'Printer B': 7.4, 'Printer C': 5.6 };
const PERCENT = 101.2;
/** Rafts of a demo plate that was printed before any was weighed. */
const USUAL_RAFT_ML = 1.5;

/** A demo pour's plate as it was reckoned when its print was started. */
export function demoPlate(
  doc: PourDoc,
  pattern: Pattern,
  copies: number,
  { printedPercent = PERCENT }: PourStory,
): PrintedPlate {
  const profile = DEMO_LISTS.profile.find((p) => p.id === doc.resin.profileId);
  if (!profile) throw new Error('a demo pour without a profile');
  const factor = printedPercent / 100;
  const rotation = doc.wayUp.lines[DEMO_LINE]?.rotation ?? NO_ROTATION;
  const { heightMm } = measureStance(pattern.measure.supportPointsMm, rotation);
  const light = printTime(heightMm * factor, { ...profile, motionS: 0 });
  return {
    printerId: profile.printerId,
    profileId: profile.id,
    layers: light.layers,
    exposureS: light.seconds,
    partsMl: (pattern.measure.volumeMm3 / 1000) * factor ** 3 * copies,
    raftMl: profile.raftMl ?? USUAL_RAFT_ML,
  };
}

/** From start to when somebody came to look, ms. */
export function printMs({ layers, exposureS }: PrintedPlate, { number, printer }: PourStory): number {
  const lateS = 60 * (2 + ((number * 7) % 11));
  return (exposureS + layers * (TRUE_MOTION_S[printer] ?? 6) + lateS) * 1000;
}
