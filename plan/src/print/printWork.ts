import { readingValue, workMinutesOf } from '@zero-pour/contracts';
import { beforePrint, WARM_HANDS_MIN } from '@zero-pour/core';
import { freshClocks } from '../clean/freshClocks';
import { valueOf } from '../planned';
import type { Sight } from '../stage';
import { ANY_WAIT, type StageWork } from '../times/stageWork';

/** A bottle that stands longer than this after its bath is cold again. min */
const WARM_FOR_MIN = 120;

/** Warming the bottle, where the resin wants it, and the print on its printer. */
export function printWork({ context, of }: Sight): StageWork[] {
  const { doc, resin, printer, settings } = context;
  const hours = valueOf(of('print'))?.hours.value;
  if (hours === undefined || !printer) return [];
  const roomC = readingValue(doc.print.roomC) ?? null;
  const warms = resin && beforePrint({ resin, printer, roomC }).some(({ key, needed }) => key === 'warm' && needed); // prettier-ignore
  const warmMin = workMinutesOf(settings, 'warm');
  const startMin = Math.min(workMinutesOf(settings, 'startPrint'), hours * 60);
  const vat = freshClocks(context).find(({ what }) => what === 'vat');
  const warm: StageWork = {
    key: 'warm',
    name: 'warm the bottle',
    skill: 'print',
    hours: warmMin / 60,
    attendance: 'start',
    handsMin: Math.min(WARM_HANDS_MIN, warmMin),
    waits: ANY_WAIT,
  };
  return [
    ...(warms && doc.print.before?.warm === undefined ? [warm] : []),
    {
      key: 'print',
      name: 'print',
      skill: 'print',
      hours,
      attendance: 'start',
      handsMin: startMin,
      waits: { leastMin: 0, mostMin: WARM_FOR_MIN },
      machines: [printer.id],
      notAfter: vat?.lapsesAt,
    },
  ];
}
