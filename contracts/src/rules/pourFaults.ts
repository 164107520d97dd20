import type { StepRecord } from '../pour/making';
import type { PourDoc } from '../pour/pourDoc';
import { unless, type Fault } from './fault';
import { readingFault } from './readingFaults';

/** One thing does not come before another that it follows from. */
function inOrder(
  earlier: string | undefined,
  later: string | undefined,
  path: string[],
  what: string,
): Fault[] {
  const holds = earlier === undefined || later === undefined || Date.parse(earlier) <= Date.parse(later);
  return unless(holds, path, what);
}

const stepFaults = (stage: string, steps: Record<string, StepRecord> | undefined): Fault[] =>
  Object.entries(steps ?? {}).flatMap(([key, step]) =>
    inOrder(
      step.startedAt,
      step.doneAt,
      [stage, 'steps', key, 'doneAt'],
      'the step would be over before it was begun',
    ),
  );

function orderFaults({ print, clean, invest, burnout, pour, result }: PourDoc): Fault[] {
  return [
    ...inOrder(
      print.startedAt,
      print.finishedAt,
      ['print', 'finishedAt'],
      'the print would be off before it was started',
    ),
    ...stepFaults('clean', clean.steps),
    ...stepFaults('invest', invest.steps),
    ...stepFaults('pour', pour.steps),
    ...inOrder(
      invest.powderInAt,
      invest.doneAt,
      ['invest', 'doneAt'],
      'investing would be over before the powder went in',
    ),
    ...inOrder(
      burnout.startedAt,
      pour.pouredAt,
      ['pour', 'pouredAt'],
      'the pour would come before the kiln was started',
    ),
    ...inOrder(
      pour.pouredAt,
      result.doneAt,
      ['result', 'doneAt'],
      'the result would be recorded before the pour',
    ),
  ];
}

function sizeFaults(
  path: string[],
  sizes: Record<string, Partial<Record<string, never>>> | undefined,
): Fault[] {
  return Object.entries(sizes ?? {}).flatMap(([key, stages]) =>
    Object.entries(stages).flatMap(([stage, reading]) =>
      readingFault([...path, key, stage], reading, 'sizeMm'),
    ),
  );
}

function castingFaults(castings: PourDoc['result']['castings']): Fault[] {
  return Object.entries(castings).flatMap(([number, casting]) => [
    ...readingFault(['result', 'castings', number, 'weightG'], casting.weightG, 'weightG'),
    ...sizeFaults(['result', 'castings', number, 'sizes'], casting.sizes as never),
  ]);
}

/** What a pour's document says that cannot be, between its fields or of a reading. */
export function pourFaults(doc: PourDoc): Fault[] {
  const { print, sprue, invest, pour, result, scale } = doc;
  return [
    ...orderFaults(doc),
    ...readingFault(['print', 'roomC'], print.roomC, 'roomC'),
    ...readingFault(['print', 'vatC'], print.vatC, 'vatC'),
    ...readingFault(['print', 'humidityPercent'], print.humidityPercent, 'humidityPercent'),
    ...readingFault(['sprue', 'weighedPatternsG'], sprue.weighedPatternsG, 'weightG'),
    ...readingFault(['invest', 'waterTempC'], invest.waterTempC, 'waterC'),
    ...readingFault(['pour', 'flaskRead'], pour.flaskRead, 'heatC'),
    ...readingFault(['pour', 'metalRead'], pour.metalRead, 'heatC'),
    ...readingFault(['pour', 'chargeRead'], pour.chargeRead, 'weightG'),
    ...readingFault(['pour', 'vacuumKpa'], pour.vacuumKpa, 'vacuumKpa'),
    ...readingFault(['pour', 'quenchAfterMin'], pour.quenchAfterMin, 'waitMin'),
    ...readingFault(['result', 'buttonBackG'], result.buttonBackG, 'weightG'),
    ...sizeFaults(['scale', 'measured'], scale.measured as never),
    ...castingFaults(result.castings),
  ];
}
