import { ELEMENT_DENSITIES, type Element } from '@zero-pour/core';
import { z } from 'zod';
import { momentSchema, nameSchema } from './parts';

const ELEMENTS = Object.keys(ELEMENT_DENSITIES) as [Element, ...Element[]];

/** What a feed of metal prices answers to a plain GET: whose they are, as of when, and fine metal a gram. */
export const priceFeedSchema = z.strictObject({
  source: nameSchema,
  at: momentSchema,
  /** The sign of its currency; the user sees to it that it is the shop's. */
  currency: z.string().max(6),
  perG: z.partialRecord(z.enum(ELEMENTS), z.number().nonnegative().max(1e6)),
});
export type PriceFeed = z.infer<typeof priceFeedSchema>;
