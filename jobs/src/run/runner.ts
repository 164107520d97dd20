import { MeshFileError } from '@zero-pour/core';
import { couponFileJob, couponJob } from '../coupon';
import type { Job } from '../job';
import { feedJob, placesJob, suggestGatesJob } from '../feed';
import { fillJob, fillMarginsJob } from '../fill';
import { airJob, hangJob, hungJob, saveTreeJob, treeShapeJob } from '../hang';
import { fitProgrammeJob, heatJob } from '../heat';
import { clashJob, weekJob } from '../week';
import { moldBlockJob, undercutShadesJob, undercutsJob } from '../mold';
import { layersJob } from '../layers';
import type { RunOutcome } from '../outcome';
import { patternJob } from '../pattern';
import { readFileJob } from '../readFile';
import { savePartJob } from '../savePart';
import { shapeJob } from '../shape';
import { modelSpruesJob, spruesJob } from '../sprues';
import { standingJob } from '../standing';
import { spreadJob, tuneJob } from '../tuning';
import { waysJob } from '../ways';
import type { JobContext, Run } from './context';
import { feed, places, suggest } from './feed';
import { fill, showMargins } from './fill';
import { saveCoupon, savePart, showCoupon } from './files';
import { fit, heat } from './heat';
import { clash, week } from './week';
import { hang, measureTree, readAir, saveTree, showTree } from './hang';
import { analyse, cut, readFile, searchWays, stand, view } from './meshes';
import { makeBlock, readUndercuts, shadeUndercuts } from './mold';
import { drawSprues, findSprues } from './sprues';
import { spread, tune } from './tune';

interface Runnable {
  job: Job<unknown, unknown>;
  run: Run<unknown, unknown>;
}
const runnable = <I, O>(job: Job<I, O>, run: Run<I, O>): Runnable => ({ job, run }) as unknown as Runnable;

/** Every job there is, by name: what a worker is told to run. */
const JOBS: ReadonlyMap<string, Runnable> = new Map(
  [
    runnable(patternJob, analyse),
    runnable(standingJob, stand),
    runnable(shapeJob, view),
    runnable(readFileJob, readFile),
    runnable(layersJob, cut),
    runnable(waysJob, searchWays),
    runnable(couponJob, showCoupon),
    runnable(couponFileJob, saveCoupon),
    runnable(savePartJob, savePart),
    runnable(spruesJob, findSprues),
    runnable(feedJob, feed),
    runnable(placesJob, places),
    runnable(suggestGatesJob, suggest),
    runnable(modelSpruesJob, drawSprues),
    runnable(fillJob, fill),
    runnable(fillMarginsJob, showMargins),
    runnable(hangJob, hang),
    runnable(hungJob, measureTree),
    runnable(airJob, readAir),
    runnable(treeShapeJob, showTree),
    runnable(saveTreeJob, saveTree),
    runnable(heatJob, heat),
    runnable(fitProgrammeJob, fit),
    runnable(weekJob, week),
    runnable(clashJob, clash),
    runnable(undercutsJob, readUndercuts),
    runnable(undercutShadesJob, shadeUndercuts),
    runnable(moldBlockJob, makeBlock),
    runnable(tuneJob, tune),
    runnable(spreadJob, spread),
  ].map((one) => [one.job.name, one]),
);

type Supplies = Omit<JobContext, 'memo'>;

/**
 * A runner that keeps what was read of the last part: jobs of one part, one after the other, read it once. A bad file is
 * an outcome; anything else is thrown.
 */
export function makeRunner(): (name: string, input: unknown, supplies: Supplies) => Promise<RunOutcome> {
  let about = '';
  const kept = new Map<string, Promise<unknown>>();
  const memo = <T>(file: string, name: string, make: () => Promise<T>): Promise<T> => {
    if (about !== file) kept.clear();
    about = file;
    const found = kept.get(name) ?? make();
    kept.set(name, found);
    // What failed is tried again by the next one.
    found.catch(() => kept.delete(name));
    return found as Promise<T>;
  };
  return async (name, input, supplies) => {
    const found = JOBS.get(name);
    if (!found) throw new Error(`there is no job “${name}”`);
    try {
      const { output, blobs } = await found.run(found.job.input.parse(input), { ...supplies, memo });
      return { status: 'done', output, blobs: [...(blobs ?? [])] };
    } catch (error) {
      if (error instanceof MeshFileError)
        return { status: 'refused', code: error.code, detail: error.detail };
      throw error;
    }
  };
}
