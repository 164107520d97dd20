import type { Mold, Pattern, Resin, StepRecord } from '@zero-pour/contracts';
import {
  pressMinutes,
  protocolHours,
  quantity,
  RUBBER,
  rubberFor,
  say,
  siliconeFor,
  type Attendance,
  type CautionKey,
  type Phrase,
} from '@zero-pour/core';

/** A step of making a mold, or of its first waxes. */
export interface MoldStep {
  key: string;
  name: string;
  how: Phrase;
  /** How long it takes; null: nobody has said. */
  minutes: number | null;
  /** When somebody must be there. */
  attendance: Attendance;
  /** Before the mold is closed: what comes after is its waxes. */
  making: boolean;
  /** What can hurt there. */
  caution: CautionKey;
  record: StepRecord | undefined;
}

/** A mold with what it names looked up. */
export interface MoldThings {
  pattern: Pattern | undefined;
  resin: Resin | undefined;
}

interface StepRule extends Pick<MoldStep, 'key' | 'name' | 'how'> {
  minutes?: number | null;
  /** Somebody is there from begin to end, unless it says otherwise. */
  attendance?: Attendance;
  caution?: CautionKey;
}

function rubberSteps({ frame, pressC }: Mold, masterCm3: number): StepRule[] {
  const { massG, sheets } = rubberFor({ ...frame, masterCm3 });
  return [
    { key: 'clean', name: 'Clean frame and master', how: say`Alcohol, no grease, no fingers.`, minutes: 5, caution: 'alcohol' }, // prettier-ignore
    {
      key: 'pack',
      name: 'Pack half, master, pack',
      how: say`${quantity(massG, 'g', 0)}, about ${String(sheets)} sheets of ${quantity(RUBBER.sheetMm, 'mm', 1)}; no air round the master.`,
      minutes: 15,
    },
    {
      key: 'press',
      name: 'Press',
      how: say`${quantity(pressC, 'degC')}; tighten again once it softens.`,
      minutes: pressMinutes(frame.heightMm),
      attendance: 'whole',
      caution: 'press',
    },
    {
      key: 'cool',
      name: 'Cool',
      how: say`To the hand, slowly.`,
      minutes: 30,
      attendance: 'none',
      caution: 'press',
    },
    { key: 'cut', name: 'Cut', how: CUT, minutes: 25, caution: 'knife' },
    { key: 'check', name: 'Clean and look', how: say`No torn lips, no air marks.`, minutes: 5 },
  ];
}

const CUT = say`Along the line that is planned on the model, with locks at the corners; the master comes out whole.`;

function siliconeSteps({ frame, mixParts, cureH }: Mold, masterCm3: number): StepRule[] {
  const { massG, partsG, cupMl } = siliconeFor({ ...frame, masterCm3 }, mixParts);
  return [
    {
      key: 'frame',
      name: 'Frame and coat',
      how: say`Clay the joints; a barrier coat where the table asks for one, dry.`,
      minutes: 15,
      caution: 'silicone',
    },
    {
      key: 'mix',
      name: 'Weigh and mix',
      how: say`${quantity(massG, 'g', 0)}: ${quantity(partsG[0], 'g', 1)} and ${quantity(partsG[1], 'g', 1)}.`,
      minutes: 5,
      caution: 'silicone',
    },
    {
      key: 'degas',
      name: 'Degas',
      how: say`It rises: a cup of ${quantity(cupMl, 'ml', 0)} and more, until it falls back.`,
      minutes: 4,
      caution: 'silicone',
    },
    { key: 'pour', name: 'Pour', how: say`Thin, from one corner, over the master last.`, minutes: 5, caution: 'silicone' }, // prettier-ignore
    {
      key: 'cure',
      name: 'Cure',
      how: say`As its maker says; do not move it.`,
      minutes: cureH === undefined ? null : cureH * 60,
      attendance: 'none',
      caution: 'silicone',
    },
    { key: 'cut', name: 'Cut', how: CUT, minutes: 15, caution: 'knife' },
  ];
}

function printedSteps({ printH }: Mold, resin: Resin | undefined): StepRule[] {
  const washed = resin && resin.protocol.length > 0 ? protocolHours(resin.protocol) * 60 : null;
  return [
    {
      key: 'print',
      name: 'Print both halves',
      how: say`Flat outside down, no supports in the cavity.`,
      minutes: printH === undefined ? null : printH * 60,
      attendance: 'start',
    },
    {
      key: 'wash',
      name: 'Wash and cure',
      how: say`Blow the cavity, neck and vents dry before the cure.`,
      minutes: washed,
    },
    {
      key: 'warp',
      name: 'Lay both on a flat plate',
      how: say`Measure how far they warp, and type it at the mold.`,
      minutes: 3,
    },
    { key: 'release', name: 'Release and clamp', how: say`A thin release; clamp over the whole face.`, minutes: 3 }, // prettier-ignore
  ];
}

const WAX_STEPS: readonly StepRule[] = [
  {
    key: 'first',
    name: 'First waxes',
    how: say`Powder or spray lightly; inject a few and throw them away until they fill.`,
    minutes: 10,
    caution: 'wax',
  },
  {
    key: 'measure',
    name: 'Measure a wax',
    how: say`After it has rested a day it has its size: measure it, and keep it as a series of sizes.`,
    caution: 'wax',
  },
];

/** How a mold is made and tried, step by step (handbook 06). */
export function moldSteps(mold: Mold, { pattern, resin }: MoldThings): MoldStep[] {
  const masterCm3 = (pattern?.measure.volumeMm3 ?? 0) / 1000;
  const making =
    mold.kind === 'rubber'
      ? rubberSteps(mold, masterCm3)
      : mold.kind === 'silicone'
        ? siliconeSteps(mold, masterCm3)
        : printedSteps(mold, resin);
  const asStep = (rule: StepRule, isMaking: boolean): MoldStep => ({
    minutes: null,
    attendance: 'whole',
    caution: 'resin',
    ...rule,
    making: isMaking,
    record: mold.steps[rule.key],
  });
  return [...making.map((rule) => asStep(rule, true)), ...WAX_STEPS.map((rule) => asStep(rule, false))];
}
