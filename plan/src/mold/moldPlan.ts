import type { Mold, MoldTest, Pattern } from '@zero-pour/contracts';
import {
  estimateShare,
  FRAME_FILL_CM3,
  judgeMaster,
  PRESS_MIN,
  quantity,
  RUBBER,
  say,
  USUAL_LIFE,
  whyWax,
  type Judgement,
  type MoldKind,
  type RankedCause,
  type ShareEstimate,
  type WaxFaultKey,
} from '@zero-pour/core';
import { figure, type Figure } from '../figure';
import { moldSteps, type MoldStep, type MoldThings } from './moldSteps';
import { waxesOf } from './waxes';

/** A mold with all that is worked out of it. */
export interface MoldPlan {
  master: Judgement[];
  steps: MoldStep[];
  /** Weight of rubber or silicone by the frame; of a printed mold none. */
  fill: Figure | undefined;
  press: Figure | undefined;
  waxes: number;
  good: ShareEstimate;
  /** Waxes that it may still give, by this shop's default for its kind. */
  left: number;
}

interface Things extends MoldThings {
  tests: readonly MoldTest[];
  /** Thinnest of the part as it was read, mm; undefined: not read. */
  thinnestMm: number | undefined;
}

const isPacked = (kind: MoldKind): kind is 'rubber' | 'silicone' => kind === 'rubber' || kind === 'silicone';

export function planMold(mold: Mold, things: Things): MoldPlan {
  const { kind } = mold;
  const masterCm3 = (things.pattern?.measure.volumeMm3 ?? 0) / 1000;
  const { waxes, good } = waxesOf(mold);
  return {
    master: masterOf(mold, things),
    steps: moldSteps(mold, things),
    fill: isPacked(kind) ? fillFigure(mold, masterCm3, things.pattern) : undefined,
    press: kind === 'rubber' ? pressFigure(mold) : undefined,
    waxes,
    good: estimateShare(good, waxes),
    left: Math.max(0, USUAL_LIFE[kind] - waxes),
  };
}

function masterOf(mold: Mold, { pattern, resin, tests, thinnestMm }: Things): Judgement[] {
  if (!isPacked(mold.kind)) return [];
  const newest = tests
    .filter(({ resinId, kind }) => resinId === mold.resinId && kind === mold.kind)
    .sort((a, b) => b.at.localeCompare(a.at))[0];
  const scale = mold.scalePercent / 100;
  return judgeMaster(
    {
      resinName: resin?.name ?? 'the master’s resin',
      survivesC: resin?.survivesC ?? null,
      thinnestMm: thinnestMm === undefined ? undefined : thinnestMm * scale,
      // A sprue that is in the file is on the print.
      sprued: mold.master.sprued ?? (pattern?.sprues ? true : undefined),
      sanded: mold.master.sanded,
      cured: mold.master.cured,
      tested: newest && { result: newest.result, coat: newest.coat, product: newest.product },
    },
    mold.kind,
    mold.pressC,
  );
}

function fillFigure({ frame }: Mold, masterCm3: number, pattern: Pattern | undefined): Figure {
  const typed = { unit: 'mm', digits: 1, source: 'typed at the mold' } as const;
  return figure({ name: 'Inside of the frame, less the master', unit: 'cm3' }, FRAME_FILL_CM3, {
    L: { name: 'Length', value: frame.lengthMm, ...typed },
    W: { name: 'Width', value: frame.widthMm, ...typed },
    H: { name: 'Height', value: frame.heightMm, ...typed },
    V: {
      name: 'Master',
      value: masterCm3,
      unit: 'cm3',
      source: pattern ? 'pattern file' : 'no pattern chosen: taken as nothing',
      guessed: !pattern,
    },
  });
}

const pressFigure = ({ frame }: Mold): Figure =>
  figure({ name: 'Under the press', unit: 'min' }, PRESS_MIN, {
    k: {
      name: 'Minutes for each 3.2 mm',
      value: RUBBER.pressMinPerStep,
      unit: 'min',
      digits: 1,
      source: 'shop default',
    },
    H: {
      name: 'Height of the frame',
      value: frame.heightMm,
      unit: 'mm',
      digits: 1,
      source: 'typed at the mold',
    },
  });

/** Why the newest shot with a flaw has it; undefined where no shot has one. */
export function whyNewest(
  mold: Mold,
  block: { blindEnds?: number; strainPercent?: number; bearsPercent?: number } = {},
): { fault: WaxFaultKey; causes: RankedCause[] } | undefined {
  const index = mold.shots.findLastIndex(({ flaws }) => flaws.length > 0);
  const shot = mold.shots[index];
  if (!shot) return undefined;
  const before = mold.shots.slice(0, index + 1).reduce((sum, { waxes }) => sum + waxes, 0);
  const { usualC, usualKpa, restMin } = mold.wax;
  const causes = whyWax(shot.flaws[0]!, {
    waxC: shot.waxC,
    usualWaxC: usualC,
    pressureKpa: shot.pressureKpa,
    usualPressureKpa: usualKpa,
    restMin: shot.restMin,
    usualRestMin: restMin,
    shots: before,
    life: USUAL_LIFE[mold.kind],
    warpMm: mold.warpMm,
    ...block,
  });
  return { fault: shot.flaws[0]!, causes };
}

/** How much clamp and flash a warp asks for, in words of the handbook. */
export function judgeWarp(warpMm: number | undefined): Judgement[] {
  if (warpMm === undefined) return [];
  if (warpMm <= 0.1)
    return [
      {
        rule: 'warp',
        weight: 'ok',
        lead: 'The halves close.',
        why: say`${quantity(warpMm, 'mm', 2)} of warp: a light clamp closes it.`,
      },
    ];
  const weight = warpMm <= 0.4 ? 'watch' : 'fix';
  return [
    {
      rule: 'warp',
      weight,
      lead: weight === 'watch' ? 'Clamp it closed.' : 'Too warped to close.',
      why:
        weight === 'watch'
          ? say`${quantity(warpMm, 'mm', 2)} of warp: clamped over its whole face it closes; expect thin flash at the joint.`
          : say`${quantity(warpMm, 'mm', 2)} of warp leaves a gap that wax runs into: cure it clamped flat, thicker, or sand the faces.`,
    },
  ];
}
