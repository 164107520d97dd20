import type { Mold, MoldTest, Pattern, Resin } from '@zero-pour/contracts';
import {
  estimateShare,
  FRAME_FILL_CM3,
  judgeMaster,
  PRESS_MIN,
  pressMinutes,
  quantity,
  RUBBER,
  rubberFor,
  say,
  siliconeFor,
  USUAL_LIFE,
  whyWax,
  type Judgement,
  type MoldKind,
  type Phrase,
  type RankedCause,
  type ShareEstimate,
  type WaxFaultKey,
} from '@zero-pour/core';
import { figure, type Figure } from '../figure';
import { waxesOf } from './moldOfPour';

/** A step of making a mold. */
export interface MoldStep {
  key: string;
  name: string;
  how: Phrase;
  minutes: number | null;
  /** What can hurt there. */
  caution?: string;
  doneAt: string | undefined;
}

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

interface Things {
  pattern: Pattern | undefined;
  resin: Resin | undefined;
  tests: readonly MoldTest[];
  /** Thinnest of the part as it was read, mm; undefined: not read. */
  thinnestMm: number | undefined;
}

const isPacked = (kind: MoldKind): kind is 'rubber' | 'silicone' => kind === 'rubber' || kind === 'silicone';

export function planMold(mold: Mold, things: Things): MoldPlan {
  const { kind, frame } = mold;
  const masterCm3 = (things.pattern?.measure.volumeMm3 ?? 0) / 1000;
  const inside = { ...frame, masterCm3 };
  const { waxes, good } = waxesOf(mold);
  return {
    master: masterOf(mold, things),
    steps: stepsOf(mold, inside),
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

type Inside = Parameters<typeof rubberFor>[0];
const KNIFE = 'A fresh blade, drawn away from the hand that holds the mold; a cut-proof glove on that hand.';
const HOT = 'Press, frame and rubber burn: gloves, and let it cool before it is opened.';
const FUMES = 'Read its safety sheet: gloves, and air that moves.';

function stepsOf(mold: Mold, inside: Inside): MoldStep[] {
  const step = (
    key: string,
    name: string,
    how: Phrase,
    minutes: number | null = null,
    caution?: string,
  ): MoldStep => ({
    key,
    name,
    how,
    minutes,
    ...(caution ? { caution } : {}),
    doneAt: mold.done[key],
  });
  const waxSteps = [
    step(
      'first',
      'First waxes',
      say`Powder or spray lightly; inject a few and throw them away until they fill.`,
      10,
    ),
    step(
      'measure',
      'Measure a wax',
      say`After it has rested a day it has its size: measure it, and keep it as a series of sizes.`,
    ),
  ];
  if (mold.kind === 'rubber') {
    const { massG, sheets } = rubberFor(inside);
    return [
      step('clean', 'Clean frame and master', say`Alcohol, no grease, no fingers.`, 5),
      step(
        'pack',
        'Pack half, master, pack',
        say`${quantity(massG, 'g', 0)}, about ${String(sheets)} sheets of ${quantity(RUBBER.sheetMm, 'mm', 1)}; no air round the master.`,
        15,
      ),
      step(
        'press',
        'Press',
        say`${quantity(mold.pressC, 'degC')}; tighten again once it softens.`,
        pressMinutes(inside.heightMm),
        HOT,
      ),
      step('cool', 'Cool', say`To the hand, slowly.`, 30, HOT),
      step(
        'cut',
        'Cut',
        say`Along the line that you marked, with locks at the corners; the master comes out whole.`,
        25,
        KNIFE,
      ),
      step('check', 'Clean and look', say`No torn lips, no air marks.`, 5),
      ...waxSteps,
    ];
  }
  if (mold.kind === 'silicone') {
    const { massG, partsG, cupMl } = siliconeFor(inside, mold.mixParts);
    return [
      step(
        'frame',
        'Frame and coat',
        say`Clay the joints; a barrier coat where the table asks for one, dry.`,
        15,
      ),
      step(
        'mix',
        'Weigh and mix',
        say`${quantity(massG, 'g', 0)}: ${quantity(partsG[0], 'g', 1)} and ${quantity(partsG[1], 'g', 1)}.`,
        5,
        FUMES,
      ),
      step(
        'degas',
        'Degas',
        say`It rises: a cup of ${quantity(cupMl, 'ml', 0)} and more, until it falls back.`,
        4,
      ),
      step('pour', 'Pour', say`Thin, from one corner, over the master last.`, 5),
      step('cure', 'Cure', say`As its maker says; do not move it.`, null),
      step('cut', 'Cut', say`Along the line that you marked; zigzag holds without keys.`, 15, KNIFE),
      ...waxSteps,
    ];
  }
  return [
    step('print', 'Print both halves', say`Flat outside down, no supports in the cavity.`),
    step('wash', 'Wash and cure', say`Blow the cavity, neck and vents dry before the cure.`, null, FUMES),
    step('warp', 'Lay both on a flat plate', say`Measure how far they warp; type it here.`, 3),
    step('release', 'Release and clamp', say`A thin release; clamp over the whole face.`, 3),
    ...waxSteps,
  ];
}

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

/** What a mold's cavity holds, cm³: the part at its scale. */
export const waxCm3 = (mold: Mold, pattern: Pattern | undefined): number | undefined =>
  pattern && (pattern.measure.volumeMm3 / 1000) * (mold.scalePercent / 100) ** 3;

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
