import { sparesOf } from '@zero-pour/contracts';
import {
  judgeAdhesion,
  type cutEvidence,
  type Judgement,
  type PlateLoad,
  type SupportAdvice,
} from '@zero-pour/core';
import { partOf, standingInput, standingJob } from '@zero-pour/jobs';
import { attempt } from '../attempt';
import type { PourContext } from '../context';
import type { Part } from '../part';
import { failed, known, lacking, missing, working, type Planned } from '../planned';
import type { Reading } from '../readings';
import { raftMm2Of } from './plateLayout';
import { USUAL_LAYER_MM } from '../resin/tuning/beginning';
import { heldPlates, supportsOf } from './knowPrints';

/** What is asked of the layers of a part as it stands on this pour's plate. */
export const standingWish = ({ profile }: Pick<PourContext, 'profile'>, { pattern, rotation }: Part) =>
  standingInput({ part: partOf(pattern), rotation, layerMm: profile?.layerMm ?? USUAL_LAYER_MM });

/** What the layers of a part say as it stands now. */
export const standingOf = (context: PourContext, part: Part): Reading<SupportAdvice> =>
  context.readings.of(standingJob, standingWish(context, part));

interface CutPart {
  cut: SupportAdvice;
  part: Part;
  copies: number;
}

/** Every part with what its layers say; undefined until all are known. A part without a volume has no layers. */
function cutParts(context: PourContext): CutPart[] | undefined {
  const parts = context.parts.map((part) => ({ part, read: standingOf(context, part) }));
  if (parts.length === 0) return undefined;
  const cut = parts.flatMap(({ part, read }) =>
    read.status === 'known'
      ? [{ cut: read.value, part, copies: part.prints + sparesOf(context.doc, part.key) }]
      : [],
  );
  return cut.length === parts.length ? cut : undefined;
}

/** Islands, cups, overhang and surface of one copy of each part; undefined until every part was cut as it stands. */
export function cutOfPlate(context: PourContext): Parameters<typeof cutEvidence>[0] | undefined {
  const parts = cutParts(context);
  if (!parts) return undefined;
  const sum = (of: (one: CutPart) => number): number => parts.reduce((total, one) => total + of(one), 0);
  return {
    islands: sum(({ cut }) => cut.direction.islands.length),
    cups: sum(({ cut }) => cut.direction.cups.length),
    overhangMm2: sum(({ cut }) => cut.direction.overhangMm2),
    onPlateMm2: sum(({ cut }) => cut.direction.firstLayerMm2),
    areaMm2: sum(({ part }) => part.pattern.measure.areaMm2),
  };
}

/** What hangs on the plate, and by what: the raft where there is one, else the first layers. */
export function loadOf(context: PourContext): PlateLoad | undefined {
  const { resin, profile, prints } = context;
  const parts = cutParts(context);
  if (!resin || !profile || !parts || context.notRead.prints) return undefined;
  const sum = (of: (one: CutPart) => number): number =>
    parts.reduce((total, one) => total + of(one) * one.copies, 0);
  const share = 1 + supportsOf(prints, resin).value / 100;
  // At drawn size: a few percent of scale are nothing beside the rim.
  const raftMm2 = profile.raftMm > 0 ? raftMm2Of(context, 1) : 0;
  const heldMm2 = Math.max(
    raftMm2,
    sum(({ cut }) => cut.direction.firstLayerMm2),
  );
  const peakMm2 = sum(({ cut }) => cut.direction.peak.areaMm2);
  const hangingG = (sum(({ part }) => part.pattern.measure.volumeMm3) / 1000) * resin.densityGPerMl * share;
  return heldMm2 > 0 && peakMm2 > 0 && hangingG > 0 ? { hangingG, peakMm2, heldMm2 } : undefined;
}

/** What the layers and the record of prints have yet to say, before anything is said of the plate's hold. */
function waitsFor(context: PourContext): Planned<never> | undefined {
  const { resin, printer, profile, parts, notRead } = context;
  if (!resin || !printer || !profile || parts.length === 0)
    return missing(
      lacking(
        [parts[0], 'a pattern', 'pattern'],
        [resin, 'a resin', 'resin'],
        [printer, 'a printer', 'resin'],
        [profile, 'a profile', 'resin'],
      ),
    );
  const reads = parts.map((part) => standingOf(context, part));
  for (const read of reads)
    if (read.status === 'failed') return failed(`What the layers say is not known: ${read.sentence}`);
  if (notRead.prints?.status === 'failed')
    return failed(`What held before could not be read: ${notRead.prints.sentence}`);
  if (reads.some(({ status }) => status !== 'known')) return working('Each part is cut into layers');
  return notRead.prints ? working('What held before is read') : undefined;
}

/** Whether the plate holds it; what nobody has cut or read yet is said to be so, never taken for a plate that holds. */
export function planLoad(context: PourContext): Planned<Judgement> {
  return (
    waitsFor(context) ??
    attempt(() => {
      const judged = judgeLoad(context);
      return judged ? known(judged) : failed('The layers say nothing of this part: is it closed?');
    })
  );
}

/** Whether the plate holds it, beside what held before on this printer with this resin. */
function judgeLoad(context: PourContext): Judgement | undefined {
  const load = loadOf(context);
  const { resin, printer, prints, pourId } = context;
  if (!load || !resin || !printer) return undefined;
  const others = { ...prints, prints: prints.prints.filter((p) => p.pourId !== pourId) };
  return judgeAdhesion(load, heldPlates(others, resin.id, printer.id));
}
