import { counted, PLACES_MAX, sortFindings, type Finding, type Place } from '../judge';
import { quantity, say } from '../numeric';
import type { PrintDirection } from './printDirection';
import { rotatePoints, rotationMatrix, transposed, type Rotation } from './rotation';
import type { StepsReading } from './stepsShow';

/** A jump in area larger than this share of the mean leaves a line (shop default). */
const JUMP_SHARE = 0.5;
/** Less stepped surface than this goes unseen. mm². */
const STEPS_MM2_MIN = 1;

const mm = (value: number) => quantity(value, 'mm', 2);
const mm2 = (value: number) => quantity(value, 'mm2', value < 10 ? 1 : 0);
const discOf = (areaMm2: number): number => 2 * Math.sqrt(areaMm2 / Math.PI);

/**
 * What a print direction means at the plate (handbook 04, "Way up"), gravest first. Places are in the file's axes,
 * as those of a part's other findings. `steps`: of faces that no tool reaches, when they are known.
 */
export function findDirection(
  direction: PrintDirection,
  { layerMm, rotation }: { layerMm: number; rotation: Rotation },
  steps: StepsReading | null = null,
): Finding[] {
  const back = transposed(rotationMatrix(rotation));
  const place = (at: Place['at'], sizeMm: number): Place => ({
    at: [...rotatePoints(at, back)] as Place['at'],
    sizeMm,
  });
  return sortFindings([
    ...findIslandsAndCups(direction, layerMm, place),
    ...findAreas(direction, layerMm),
    ...findSteps(steps),
  ]);
}

function findIslandsAndCups(
  { islands, cups }: PrintDirection,
  layerMm: number,
  place: (at: Place['at'], sizeMm: number) => Place,
): Finding[] {
  const found: Finding[] = [];
  const first = islands[0];
  if (first) {
    found.push({
      rule: 'islands',
      weight: 'fix',
      lead: `${counted(islands.length, 'island')}.`,
      why: say`Detail begins in mid-air, the first at ${mm(first.layer * layerMm)}: without a support there it is lost.`,
      remedy: say`Support each, or turn the part so that it grows from what is below.`,
      places: [...islands]
        .sort((a, b) => b.areaMm2 - a.areaMm2)
        .slice(0, PLACES_MAX)
        .map((island) => place(island.at, discOf(island.areaMm2))),
    });
  }
  const worst = cups.reduce((a, b) => (a && a.areaMm2 >= b.areaMm2 ? a : b), cups[0]);
  if (worst) {
    found.push({
      rule: 'suction',
      weight: 'fix',
      lead: `${counted(cups.length, 'suction cup')}.`,
      why: say`${mm2(worst.areaMm2)} of mouth pulls a vacuum from ${mm(worst.firstLayer * layerMm)} to ${mm((worst.lastLayer + 1) * layerMm)}: it tears off or bends.`,
      remedy: say`Turn it, or vent the closed end below ${mm(worst.firstLayer * layerMm + 1)}.`,
      // A mouth on the film is seen from the plate.
      places: cups.slice(0, PLACES_MAX).map((cup) => ({
        ...place(cup.at, discOf(cup.areaMm2)),
        from: place([0, 0, -1], 0).at,
      })),
    });
  }
  return found;
}

function findAreas({ overhangMm2, jump, meanAreaMm2 }: PrintDirection, layerMm: number): Finding[] {
  const found: Finding[] = [];
  if (overhangMm2 > 0) {
    found.push({
      rule: 'overhang',
      weight: 'watch',
      lead: 'Overhang.',
      why: say`${mm2(overhangMm2)} looks down more steeply than 45°, its first layer with it.`,
      remedy: say`It needs supports, or another way up.`,
      places: [],
    });
  }
  if (Math.abs(jump.changeMm2) > JUMP_SHARE * meanAreaMm2) {
    found.push({
      rule: 'jump',
      weight: 'watch',
      lead: 'Area jumps.',
      why: say`${mm2(Math.abs(jump.changeMm2))} from one layer to the next at ${mm(jump.layer * layerMm)}: a line shows there.`,
      remedy: say`Tilt the part, so that the change is spread over many layers.`,
      places: [],
    });
  }
  return found;
}

function findSteps(steps: StepsReading | null): Finding[] {
  if (!steps || steps.areaMm2 < STEPS_MM2_MIN) return [];
  return [
    {
      rule: 'steps will show',
      weight: 'note',
      lead: 'Steps will show.',
      why: say`Up to ${quantity(steps.deepestMm, 'mm', 3)} deep on ${mm2(steps.areaMm2)} that no wheel or point reaches.`,
      remedy: say`Stand those faces upright, or print them in thinner layers.`,
      places: [{ at: steps.at, sizeMm: discOf(steps.areaMm2) }],
    },
  ];
}
