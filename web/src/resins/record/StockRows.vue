<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { formatPhrase, formatQuantity, freshness, layCoupon, stockLasts, usualCoupon } from '@zero-pour/core';
import { computed } from 'vue';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useSlowNow } from '../../state/clock';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';

/** Bottles and vats with their clocks, and how far the stock goes. */
const props = defineProps<{ resin: Resin }>();
const emit = defineEmits<{ change: [fields: Partial<Resin>] }>();
const shop = useShop();
const units = useUnits();
const now = useSlowNow();

type Bottle = Resin['bottles'][number];
type Vat = Resin['vats'][number];
const newKey = (): string => crypto.randomUUID().slice(0, 8);

const ml = computed(() => props.resin.bottles.reduce((sum, bottle) => sum + bottle.mlLeft, 0));
const lasts = computed(() => stockLasts(ml.value, layCoupon(usualCoupon('')).volumeMm3 / 1000));
const setBottle = (key: string, fields: Partial<Bottle>): void =>
  emit('change', { bottles: props.resin.bottles.map((b) => (b.key === key ? { ...b, ...fields } : b)) });
function setPaidBy({ paidBy: _before, ...bottle }: Bottle, paidBy: string | undefined): void {
  const bottles = props.resin.bottles.map((one) =>
    one.key === bottle.key ? { ...bottle, ...(paidBy ? { paidBy } : {}) } : one,
  );
  emit('change', { bottles });
}
const setVat = (key: string, fields: Partial<Vat>): void =>
  emit('change', { vats: props.resin.vats.map((v) => (v.key === key ? { ...v, ...fields } : v)) });
const addBottle = (): void => {
  const { bottleG, densityGPerMl, bottles } = props.resin;
  const whole = Math.round(bottleG / densityGPerMl);
  emit('change', {
    bottles: [...bottles, { key: newKey(), openedAt: new Date().toISOString(), mlLeft: whole, note: '' }],
  });
};
const addVat = (printerId: string): void =>
  emit('change', {
    vats: [...props.resin.vats, { key: newKey(), printerId, filledAt: new Date().toISOString(), note: '' }],
  });
const printerName = (id: string): string =>
  shop.lists.printer.find((p) => p.id === id)?.name ?? 'a printer that is gone';

function bottleClock(bottle: Bottle) {
  const lifeDays = props.resin.bottleLifeDays;
  return bottle.openedAt === null || lifeDays === null
    ? undefined
    : freshness({ name: 'Opened', sinceMs: Date.parse(bottle.openedAt), lifeDays }, now.value);
}
function vatClock(vat: Vat) {
  const lifeDays = props.resin.vatLifeDays;
  return lifeDays === null
    ? undefined
    : freshness({ name: 'Filled', sinceMs: Date.parse(vat.filledAt), lifeDays }, now.value);
}
</script>

<template>
  <section class="stage-block">
    <h2>Stock and clocks</h2>
    <p class="sum">
      <b>{{ formatQuantity({ value: ml, unit: 'ml' }, units.choice) }}</b> left: about
      <b>{{ lasts.trials }} coupons</b> or <b>{{ Math.round(lasts.plateH) }} hours of plate</b>.
      <span v-if="resin.leadDays !== null" class="mute">A new bottle takes {{ resin.leadDays }} days.</span>
    </p>
    <div v-for="(bottle, i) in resin.bottles" :key="bottle.key" class="line">
      <span>Bottle {{ i + 1 }}</span>
      <MomentField
        past
        label="Opened"
        :model-value="bottle.openedAt ?? undefined"
        hint="not opened"
        @update:model-value="(at) => setBottle(bottle.key, { openedAt: at ?? null })"
      />
      <QuantityField
        v-bind="said('resin', 'bottles', '0', 'mlLeft')"
        required
        :model-value="bottle.mlLeft"
        @update:model-value="(mlLeft) => mlLeft !== undefined && setBottle(bottle.key, { mlLeft })"
      />
      <NoteField
        label="Note"
        :max="200"
        :model-value="bottle.note"
        @update:model-value="(note) => setBottle(bottle.key, { note: note ?? '' })"
      />
      <NoteField
        label="Paid by"
        :max="120"
        :model-value="bottle.paidBy"
        @update:model-value="(paidBy) => setPaidBy(bottle, paidBy)"
      />
      <span class="clock" :class="bottleClock(bottle)?.weight">{{
        bottleClock(bottle) ? formatPhrase(bottleClock(bottle)!.line, units.choice) : 'No clock.'
      }}</span>
      <button
        type="button"
        class="text-button"
        @click="emit('change', { bottles: resin.bottles.filter((b) => b.key !== bottle.key) })"
      >
        empty
      </button>
    </div>
    <div v-for="vat in resin.vats" :key="vat.key" class="line">
      <span>Vat of {{ printerName(vat.printerId) }}</span>
      <MomentField
        past
        label="Filled"
        :model-value="vat.filledAt"
        @update:model-value="(at) => at && setVat(vat.key, { filledAt: at })"
      />
      <span />
      <NoteField
        label="Note"
        :max="200"
        :model-value="vat.note"
        @update:model-value="(note) => setVat(vat.key, { note: note ?? '' })"
      />
      <span />
      <span class="clock" :class="vatClock(vat)?.weight">{{
        vatClock(vat) ? formatPhrase(vatClock(vat)!.line, units.choice) : 'No clock.'
      }}</span>
      <button
        type="button"
        class="text-button"
        @click="emit('change', { vats: resin.vats.filter((v) => v.key !== vat.key) })"
      >
        emptied
      </button>
    </div>
    <div class="add">
      <v-btn size="small" @click="addBottle">A bottle</v-btn>
      <v-btn
        v-for="printer in shop.lists.printer.filter((p) => !p.retired)"
        :key="printer.id"
        size="small"
        @click="addVat(printer.id)"
      >
        In the vat of {{ printer.name }}
      </v-btn>
    </div>
  </section>
</template>

<style scoped>
.sum {
  margin-bottom: 8px;
}
.line {
  display: grid;
  grid-template-columns:
    110px minmax(180px, 230px) 108px minmax(100px, 1fr) minmax(100px, 0.8fr) minmax(150px, 1fr)
    auto;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
}
.clock {
  font-size: 14px;
  padding-left: 9px;
  border-left: 4px solid var(--verd);
}
.clock.watch {
  border-color: var(--amber);
}
.clock.fix {
  border-color: var(--melt);
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
@media (max-width: 1000px) {
  .line {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
