import type { ModelledSprue } from '@zero-pour/core';
import { modelSpruesJob, partOf, type DrawnSprues } from '@zero-pour/jobs';
import type { PartGates } from '@zero-pour/plan';
import { onScopeDispose, shallowRef, type ShallowRef } from 'vue';
import { sendBytes } from '../../api/request';
import { runJob, whyNot, WorkCancelled } from '../../jobs';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';

type Made = Extract<DrawnSprues, { status: 'made' }>;
type Refused = Extract<DrawnSprues, { status: 'refused' }>;
const WHY: Record<Refused['why'], (gate: number) => string> = {
  open: () => 'The part is not closed, so nothing can be united with it. Mend the file first.',
  'mid-air': (gate) => `Gate ${gate} does not touch the part: place it anew.`,
  'into the part': (gate) =>
    `Gate ${gate}, or its way to the sprue, runs into the part: make it shorter, lean it, or let each gate end by itself.`,
  'not one': () => 'The parts would not hold together as one closed solid: move the gates a little.',
};

/** Gates of a part united with it as a new version of its pattern, which takes its place in the pour. */
export function useDrawSprues(entry: () => PartGates): {
  step: ShallowRef<string>;
  sentence: ShallowRef<string>;
  draw: (sprue: ModelledSprue | null) => Promise<void>;
} {
  const shop = useShop();
  const { pour, set } = usePour();
  const step = shallowRef('');
  const sentence = shallowRef('');
  const leaving = new AbortController();
  onScopeDispose(() => leaving.abort());

  async function make(sprue: ModelledSprue | null): Promise<DrawnSprues> {
    const { part, placed } = entry();
    const gates = placed
      .filter(({ set: own }) => own)
      .map(({ at, direction, diameterMm, lengthMm, flareMm }) => ({
        at,
        direction,
        diameterMm,
        lengthMm,
        flareMm,
      }));
    const report = (name: string): void => void (step.value = name || 'reading');
    const options = { signal: leaving.signal, urgent: true, report };
    return (await runJob(modelSpruesJob, { part: partOf(part.pattern), gates, sprue }, options)).output;
  }

  async function keep({ file, piece, marks, sections }: Made): Promise<void> {
    const { pattern, key } = entry().part;
    step.value = 'keeping';
    await sendBytes(file.hash, new Blob([file.bytes]));
    await sendBytes(piece.hash, new Blob([piece.bytes]));
    const { name, note, classOverride } = pattern;
    const kept = await shop.addPattern({
      id: crypto.randomUUID(),
      name,
      fileName: `${name} with sprues.stl`,
      fileHash: file.hash,
      measure: file.measure,
      note,
      formerId: pattern.id,
      classOverride,
      sprues: { marks, sections, pieceHash: piece.hash, piece: piece.measure },
    });
    const { lines } = pour.value.doc.brief;
    // The gates are the file's now; those of the pour would count twice.
    const diameterMm = Math.round(10 * Math.min(...sections.map((s) => s.diameterMm))) / 10;
    set(['wayUp', 'lines', key, 'gates'], { count: sections.length, diameterMm, lengthMm: 0 });
    set(
      ['brief', 'lines'],
      lines.map((line) => (line.key === key ? { ...line, patternId: kept.id } : line)),
    );
  }

  async function draw(sprue: ModelledSprue | null): Promise<void> {
    sentence.value = '';
    step.value = 'reading';
    try {
      const made = await make(sprue);
      if (made.status === 'refused') sentence.value = WHY[made.why](made.gate + 1);
      else await keep(made);
    } catch (error) {
      if (!(error instanceof WorkCancelled)) sentence.value = whyNot(error);
    } finally {
      step.value = '';
    }
  }
  return { step, sentence, draw };
}
