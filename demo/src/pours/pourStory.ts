import {
  emptyPourDoc,
  FIRST_SIZE,
  type Pattern,
  type PourDoc,
  type SizeTarget,
  emptyFlask,
  FIRST_FLASK,
  type PourFlask,
  type Trying,
} from '@zero-pour/contracts';
import {
  castingModulusMm,
  gateDiameterForModulusMm,
  proposedGates,
  NO_ROTATION,
  type CastClass,
  type FlawKind,
  type FlawZone,
  type Outcome,
  type Rotation,
  type Severity,
} from '@zero-pour/core';
import { demoId } from '../demoId';
import { DEMO_LISTS, demoItemId } from '../shop';

/** Where a flaw of a story is: its zone, how bad, and the way from the middle of the file to its place. */
export interface PlaceStory {
  zone?: FlawZone;
  severity?: Severity;
  towards?: readonly [number, number, number];
}

/** One casting of a story: its outcome, and what was wrong with it. */
export interface CastingStory {
  outcome: Outcome;
  flaw?: readonly [kind: FlawKind, place: string, sizeMm?: number];
  where?: PlaceStory;
  /** Its first wanted size, as it was measured finished. */
  finishedMm?: number;
}

/** What is told of one pour; times follow from it. */
export interface PourStory {
  number: number;
  pattern: string;
  count: number;
  alloy: string;
  castClass: CastClass;
  resin: string;
  printer: string;
  flask: string;
  powder: string;
  programme: string;
  kiln: string;
  rings?: boolean;
  rotation?: Rotation;
  gates?: number;
  gateLengthMm?: number;
  hangs?: 'x' | 'y' | 'z';
  mainSprueLengthMm?: number;
  /** Kiln at loading; cold unless said. */
  loadedAtC?: number;
  sizes?: readonly Omit<SizeTarget, 'key' | 'lineKey'>[];
  /** Percent that it was printed at, once it is. */
  printedPercent?: number;
  /** What its first size measured on the way. */
  curedMm?: number;
  /** Resin that its plate took, off the bottle. */
  resinUsedMl?: number;
  boricPercent?: number;
  again?: number;
  change?: string;
  /** The flaw of the pour before that the change is against, and what it was to tell apart. */
  trying?: Omit<Trying, 'fromPourId'>;
  note?: string;
}

/** Every demo pour has one line in its brief and one flask. */
export const DEMO_LINE = 'l1';

function flaskOf({ flask, hangs, rings, mainSprueLengthMm = 32 }: PourStory): PourFlask {
  const empty = emptyFlask(FIRST_FLASK);
  return {
    ...empty,
    sprue: {
      ...empty.sprue,
      flaskId: demoItemId('flask', flask),
      ...(hangs ? { hangs } : {}),
      ...(rings
        ? { arrangement: 'rings' as const, mainSprueDiameterMm: 6, mainSprueLengthMm, tiltDeg: 45 }
        : {}),
    },
  };
}

/** The plan of a story, with nothing done yet. */
export function planOf(story: PourStory, pattern: Pattern, zeroAt: Date): PourDoc {
  const doc = emptyPourDoc();
  const { volumeMm3, areaMm2 } = pattern.measure;
  const { diameterMm } = proposedGates(gateDiameterForModulusMm(castingModulusMm(volumeMm3, areaMm2)));
  const resinId = demoItemId('resin', story.resin);
  const printerId = demoItemId('printer', story.printer);
  const profile = DEMO_LISTS.profile.find(
    (p) =>
      !p.replaced && p.resinId === resinId && p.printerId === printerId && p.castClass === story.castClass,
  );
  return {
    ...doc,
    brief: {
      ...doc.brief,
      lines: [{ key: DEMO_LINE, patternId: pattern.id, count: story.count }],
      alloyId: demoItemId('alloy', story.alloy),
      castClass: story.castClass,
      zeroAt: zeroAt.toISOString(),
      sizes: (story.sizes ?? []).map((size, i) => ({
        ...size,
        key: i === 0 ? FIRST_SIZE : `size ${i + 1}`,
        lineKey: null,
      })),
      ...(story.again ? { againOf: story.again } : {}),
      ...(story.change ? { statedChange: story.change } : {}),
      ...(story.trying ? { trying: { ...story.trying, fromPourId: demoId(`pour ${story.again}`) } } : {}),
      ...(story.note ? { note: story.note } : {}),
    },
    resin: {
      resinId,
      printerId,
      ...(profile ? { profileId: profile.id } : {}),
    },
    wayUp: {
      lines: {
        [DEMO_LINE]: {
          rotation: story.rotation ?? NO_ROTATION,
          gates: { count: story.gates ?? 1, diameterMm, lengthMm: story.gateLengthMm ?? 4 },
        },
      },
    },
    flasks: [flaskOf(story)],
    invest: {
      ...doc.invest,
      powderId: demoItemId('powder', story.powder),
      boric: story.boricPercent ? { school: 'powder', percent: story.boricPercent } : doc.invest.boric,
    },
    burnout: {
      ...doc.burnout,
      ...(story.loadedAtC ? { loadedAtC: story.loadedAtC } : {}),
      kilnId: demoItemId('kiln', story.kiln),
      programmeId: demoItemId('programme', story.programme),
    },
  };
}
