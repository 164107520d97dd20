import { recordQuerySchema, type FactName, type RecordQuery } from '@zero-pour/contracts';
import { useLocalStorage } from '@vueuse/core';
import { reactive, type Ref } from 'vue';

/** What the record is asked, as it stands in the form. */
export type RecordFilter = Omit<RecordQuery, 'limit' | 'offset'>;

export const NO_FILTER: RecordFilter = (({ limit: _l, offset: _o, ...rest }) => rest)(recordQuerySchema.parse({})); // prettier-ignore

/** A filter of its own for a page. */
export const recordFilter = (): RecordFilter => reactive({ ...NO_FILTER });

/** As an address has it: what is not asked is left out. */
export function queryOf(filter: RecordFilter, more: Record<string, string> = {}): URLSearchParams {
  const query = new URLSearchParams(more);
  for (const [name, value] of Object.entries(filter))
    if (value !== null && value !== NO_FILTER[name as keyof RecordFilter])
      query.set(name, typeof value === 'string' ? value.trim() : String(value));
  return query;
}

/** Whether anything is asked that leaves pours out. */
export const narrows = ({ text, ...filter }: RecordFilter): boolean =>
  text.trim() !== '' ||
  (['alloyId', 'flaw', 'zone', 'fact', 'since', 'until'] as const).some((name) => filter[name] !== null);

/** Columns of numbers that this window shows, beside those that are always there. */
export const recordColumns = (): Ref<FactName[]> => useLocalStorage<FactName[]>('record columns', ['flaskC', 'chargeG']); // prettier-ignore
