import {
  fillMargins,
  nodeNear,
  readFill,
  readFillField,
  type FillField,
  type FillReading,
} from '@zero-pour/core';
import type { z } from 'zod';
import type { FillInput, fillMarginsJob } from '../fill';
import type { JobContext, Run } from './context';
import { fieldOf } from './feed';

type MarginsInput = z.infer<typeof fillMarginsJob.input>;

/** The net of a part stays with the runner: gates and temperatures only find their ways in it anew. */
async function netOf(
  input: Pick<FillInput, 'part' | 'cellMm' | 'medianMm'>,
  context: JobContext,
): Promise<FillField> {
  const { part, cellMm, medianMm } = input;
  return context.memo(part.file, `fill ${cellMm} ${medianMm} ${part.unitMm}`, async () => {
    const field = await fieldOf(input, context);
    context.report('fill', 0.5);
    return readFillField(field);
  });
}

/** An infinite margin (a mold as hot as the metal's liquidus) is written as a large one: JSON has none. */
const MARGIN_MOST = 1e6;
const finite = (margin: number): number => Math.min(MARGIN_MOST, margin);

export const fill: Run<FillInput, FillReading | null> = async (input, context) => {
  const { gates, heat, drive, hottest } = input;
  const found = readFill(await netOf(input, context), gates, { heat, drive }, hottest);
  if (!found) return { output: null };
  const last = { ...found.last, margin: finite(found.last.margin) };
  const gate = found.offers?.gate;
  const offers = found.offers && {
    ...found.offers,
    gate: gate ? { ...gate, margin: finite(gate.margin) } : null,
  };
  return { output: { ...found, last, offers } };
};

export const showMargins: Run<MarginsInput, Float32Array> = async (input, context) => {
  const { gates, heat, drive } = input;
  const net = await netOf(input, context);
  const margins = fillMargins(net, gates, { heat, drive });
  const bytes = await context.blob(input.places);
  const places = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 4);
  const output = new Float32Array(places.length / 3);
  for (let v = 0; v < output.length; v++) {
    const node = nodeNear(net, places[3 * v]!, places[3 * v + 1]!, places[3 * v + 2]!);
    output[v] = node < 0 ? NaN : finite(margins[node]!);
  }
  return { output };
};
