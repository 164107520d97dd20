import type { ShopFields, ShopKind } from '@zero-pour/contracts';
import type { Unit } from '@zero-pour/core';

/** How one field of a thing of the shop is typed. */
export type ItemField<K extends ShopKind> = {
  field: keyof ShopFields<K> & string;
  label: string;
  hint?: string;
  /** Heading that this field and those after it stand under. */
  group?: string;
} & (
  | { type: 'text'; long?: boolean }
  | {
      type: 'number';
      unit: Unit;
      digits?: number;
      min?: number;
      max?: number;
      whole?: boolean;
      nullable?: boolean;
    }
  | { type: 'choice'; options: readonly string[] }
  | { type: 'yes' }
);

export const NAME = { field: 'name', label: 'Name', type: 'text' } as const;
export const NOTE = { field: 'note', label: 'Note', type: 'text', long: true } as const;
export const PRICE_KG = {
  field: 'pricePerKg',
  label: 'Price a kilogram',
  type: 'number',
  unit: 'money',
} as const;
