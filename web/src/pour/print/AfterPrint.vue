<script setup lang="ts">
import { AFTER_PRINT, type Resin } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { bottleOrLeave, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import { useBoard } from '../../state/boardStore';
import { useSlowNow } from '../../state/clock';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { formatMoment } from '../../time/formatMoment';

/** What is done at the printer when a print is off, and whether its resin goes back into the bottle. */
const { pour, plan, set } = usePour();
const board = useBoard();
const shop = useShop();
const notices = useNotices();
const units = useUnits();
const now = useSlowNow();
const after = computed(() => pour.value.doc.print.after ?? {});
type After = (typeof AFTER_PRINT)[number];
/** Filtered back or left: one takes the place of the other. */
const EITHER: readonly After[] = ['resin filtered back', 'resin left in the vat'];
function tick(what: After): void {
  const { [what]: at, ...rest } = after.value;
  const others = EITHER.includes(what)
    ? Object.fromEntries(Object.entries(rest).filter(([key]) => !EITHER.includes(key as After)))
    : rest;
  set(['print', 'after'], at ? rest : { ...others, [what]: new Date().toISOString() });
}
const verdict = computed(() =>
  bottleOrLeave(
    plan.value.context,
    board.rows.filter((row) => row.pour.id !== pour.value.id),
    now.value,
    (at) => formatMoment(at, now.value),
  ),
);

/* The bottle's record is drawn down by a press, once: the pour remembers. */
const taken = computed(() => pour.value.doc.print.fromBottleMl);
const usedMl = computed(() => pour.value.doc.print.resinUsedMl ?? valueOf(plan.value.print)?.resinMl.value);
const bottle = computed(() => plan.value.context.resin?.bottles.find((b) => b.mlLeft > 0));
const ml = (value: number): string => formatQuantity({ value, unit: 'ml', digits: 0 }, units.choice);
async function keepBottles(bottles: Resin['bottles']): Promise<boolean> {
  const item = shop.lists.resin.find((r) => r.id === plan.value.context.resin?.id);
  if (!item) return false;
  try {
    await shop.keepItem('resin', { ...item, bottles });
    return true;
  } catch (error) {
    notices.wrong(error);
    return false;
  }
}
async function drawDown(): Promise<void> {
  const [from, used] = [bottle.value, usedMl.value];
  const before = shop.lists.resin.find((r) => r.id === plan.value.context.resin?.id)?.bottles;
  if (!from || !before || used === undefined) return;
  const left = Math.max(0, Math.round(from.mlLeft - used));
  if (!(await keepBottles(before.map((b) => (b.key === from.key ? { ...b, mlLeft: left } : b))))) return;
  set(['print', 'fromBottleMl'], used);
  notices.tell(`The bottle has ${ml(left)} left.`, {
    label: 'Undo',
    run: () => void keepBottles(before).then((kept) => kept && set(['print', 'fromBottleMl'], undefined)),
  });
}
</script>

<template>
  <section class="stage-block">
    <h2>At the printer, after</h2>
    <div class="ticks" role="group" aria-label="After the print">
      <button
        v-for="what in AFTER_PRINT"
        :key="what"
        type="button"
        :aria-pressed="after[what] !== undefined"
        @click="tick(what)"
      >
        <span class="mark" aria-hidden="true">{{ after[what] ? '✓' : '' }}</span> {{ what }}
      </button>
    </div>
    <p v-if="verdict" class="mt-2">
      <b>{{ verdict.lead }}</b> {{ verdict.why }}
    </p>
    <p v-if="taken !== undefined" class="mute mt-2">{{ ml(taken) }} were taken off the bottle’s record.</p>
    <p v-else-if="bottle && usedMl !== undefined" class="mute mt-2">
      The bottle’s record says {{ ml(bottle.mlLeft) }}.
      <button type="button" class="text-button" @click="drawDown">Take {{ ml(usedMl) }} off it</button>
    </p>
  </section>
</template>

<style scoped>
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.ticks button {
  display: flex;
  gap: 9px;
  align-items: center;
  min-height: 46px;
  padding: 4px 14px 4px 10px;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line2);
  border-radius: 3px;
  cursor: pointer;
}
.mark {
  width: 24px;
  height: 24px;
  border: 2px solid var(--wax);
  border-radius: 50%;
  line-height: 20px;
  text-align: center;
  color: var(--paper);
}
[aria-pressed='true'] .mark {
  background: var(--verd);
  border-color: var(--verd);
}
</style>
