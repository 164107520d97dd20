import { z } from 'zod';
import { idSchema } from './parts';
import { pourDocSchema } from './pour/pourDoc';
import { scrapBatchSchema } from './pour/scrap';
import { BENCH_RECORD_SCHEMAS } from './record/kinds';
import { reportedSettingSchema } from './shop/resin';
import { SHOP_ITEM_SCHEMAS } from './shop/kinds';

/** A drawer of old scraps is taken in up to so many at once. */
const MOST = 6000;

/** Old records as they are taken in: the pours, and things of the shop that they name and that were not there. */
export const takeScrapsSchema = z.strictObject({
  batch: scrapBatchSchema.safeExtend({ id: idSchema }),
  alloys: z.array(SHOP_ITEM_SCHEMAS.alloy).max(100),
  resins: z.array(SHOP_ITEM_SCHEMAS.resin).max(100),
  pours: z
    .array(z.strictObject({ id: idSchema, doc: pourDocSchema }))
    .min(1)
    .max(MOST),
});
/** Old notes that are no pours, as they are taken in. */
export const takeSheetSchema = z.strictObject({
  batch: scrapBatchSchema.safeExtend({ id: idSchema }),
  trials: z.array(BENCH_RECORD_SCHEMAS.trial).max(MOST),
  series: z.array(BENCH_RECORD_SCHEMAS.sizeSeries).max(MOST),
  figures: z.array(z.strictObject({ resinId: idSchema, figure: reportedSettingSchema })).max(1000),
});
export type TakeSheet = z.infer<typeof takeSheetSchema>;
export type TakeScraps = z.infer<typeof takeScrapsSchema>;
