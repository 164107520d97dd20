import { planPour, type RankedMaking } from '@zero-pour/plan';
import { shallowRef, type ShallowRef } from 'vue';
import { useNotices } from '../state/notices';
import { usePlanningShop } from '../state/planningStore';
import { usePours } from '../state/pourStore';

interface GoodCosts {
  /** By the last pour of each; undefined: nothing of it is reckoned. */
  costs: ShallowRef<ReadonlyMap<string, number | undefined>>;
  asking: ShallowRef<boolean>;
  ask: (rows: readonly RankedMaking[]) => Promise<void>;
}

/** What a good casting costs by each way of making it: its last pour as reckoned now, shared over those that are expected good. */
export function useGoodCosts(): GoodCosts {
  const planning = usePlanningShop();
  const pours = usePours();
  const notices = useNotices();
  const costs = shallowRef<ReadonlyMap<string, number | undefined>>(new Map());
  const asking = shallowRef(false);

  async function costOf({ made, share }: RankedMaking): Promise<number | undefined> {
    const pour = await pours.load(made.lastPourId);
    const { cost, context } = planPour(pour, planning.known);
    if (cost.lines.length === 0 || context.castings === 0) return undefined;
    return cost.total.value / context.castings / share.mean;
  }
  async function ask(rows: readonly RankedMaking[]): Promise<void> {
    asking.value = true;
    try {
      const found = new Map(costs.value);
      for (const row of rows) found.set(row.made.lastPourId, await costOf(row));
      costs.value = found;
    } catch (error) {
      notices.wrong(error);
    } finally {
      asking.value = false;
    }
  }
  return { costs, asking, ask };
}
