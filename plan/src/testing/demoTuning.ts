import type { RecordLists, ShopLists } from '@zero-pour/contracts';
import { createDemoShop } from '@zero-pour/demo';
import { tuningThings, type TuningThings } from '../index';

/** The demo shop's lists and records, with what is tuned by its names. */
export interface DemoTuning {
  lists: ShopLists;
  records: RecordLists;
  things: (resin: string, printer: string, layerMm: number) => TuningThings;
}

const idOf = (list: readonly { id: string; name: string }[], name: string): string =>
  list.find((item) => item.name === name)!.id;

export async function demoTuning(now: Date): Promise<DemoTuning> {
  const { lists, records } = (await createDemoShop(now)).file;
  const things = (resin: string, printer: string, layerMm: number): TuningThings =>
    tuningThings(lists, {
      resinId: idOf(lists.resin, resin),
      printerId: idOf(lists.printer, printer),
      layerMm,
    })!;
  return { lists, records, things };
}
