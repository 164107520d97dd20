<script setup lang="ts">
import { COUPON_FLAWS, type Trial } from '@zero-pour/contracts';
import { said } from '../../components/said';
import StandingLine from '../../components/StandingLine.vue';
import { BASE_RESULTS, type TunedClass } from '@zero-pour/core';
import { computed, nextTick, onMounted, useTemplateRef } from 'vue';
import ChoiceRow from '../../components/ChoiceRow.vue';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import PhotoRow from '../../components/PhotoRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import ReadingField from '../../components/ReadingField.vue';
import CountField from './CountField.vue';
import type { SeenCount } from './readSeen';
import WidthRows from './WidthRows.vue';
import { CLASS_NAMES } from './words';

/** Counts of one coupon, in seconds and by keyboard; everything else below, on demand. */
const props = defineProps<{ trial: Trial; number: number; standing: string }>();
const emit = defineEmits<{ change: [trial: Trial]; close: []; discard: [] }>();
const root = useTemplateRef<HTMLElement>('root');

const change = (fields: Partial<Trial>): void => emit('change', { ...props.trial, ...fields });
const seenOf = (castClass: TunedClass, of: 'struts' | 'slots'): SeenCount =>
  props.trial.counts[castClass]?.[of] ?? null;
function setSeen(castClass: TunedClass, of: 'struts' | 'slots', seen: SeenCount): void {
  const counts = props.trial.counts[castClass] ?? { struts: null, slots: null };
  change({ counts: { ...props.trial.counts, [castClass]: { ...counts, [of]: seen } } });
}
const rows = computed(() =>
  props.trial.coupon.classes.flatMap((row) => [
    {
      key: `${row.castClass} struts`,
      castClass: row.castClass,
      of: 'struts' as const,
      count: row.struts,
      label: `${row.featureMm} mm struts standing`,
    },
    {
      key: `${row.castClass} slots`,
      castClass: row.castClass,
      of: 'slots' as const,
      count: row.slots,
      label: `${row.featureMm} mm slots open`,
    },
  ]),
);

/** Enter goes to the next count, and from the last one to the base. */
async function goOn(index: number): Promise<void> {
  await nextTick();
  const inputs = root.value?.querySelectorAll<HTMLElement>('[data-count]');
  const target = inputs?.[index + 1] ?? root.value?.querySelector<HTMLElement>('[role="radiogroup"] button');
  target?.focus();
  if (target instanceof HTMLInputElement) target.select();
}
onMounted(() => {
  root.value?.scrollIntoView({ block: 'nearest' });
  root.value?.querySelector<HTMLInputElement>('[data-count]')?.focus();
});
const toggleFlaw = (flaw: (typeof COUPON_FLAWS)[number]): void => {
  const { flaws } = props.trial;
  change({ flaws: flaws.includes(flaw) ? flaws.filter((f) => f !== flaw) : [...flaws, flaw] });
};
</script>

<template>
  <section ref="root" class="entry sheet" aria-label="Counts of the coupon" @keydown.esc.stop="emit('close')">
    <div class="head">
      <h2>Coupon {{ number }}: count what stands and what is open</h2>
      <StandingLine :standing="standing" />
      <span class="spacer" />
      <button type="button" class="text-button" @click="emit('discard')">Take this coupon away</button>
    </div>
    <div class="settings">
      <QuantityField
        v-bind="said('trial', 'exposureS')"
        required
        :model-value="trial.exposureS"
        @update:model-value="(s) => s !== undefined && change({ exposureS: s })"
      />
      <QuantityField
        v-bind="said('trial', 'baseExposureS')"
        required
        :model-value="trial.baseExposureS"
        @update:model-value="(s) => s !== undefined && change({ baseExposureS: s })"
      />
      <ReadingField
        v-bind="said('trial', 'vatC')"
        :model-value="trial.vatC"
        @update:model-value="(vatC) => change({ vatC: vatC ?? { state: 'not measured' } })"
      />
    </div>
    <div class="counts">
      <template v-for="(row, i) in rows" :key="row.key">
        <h3 v-if="row.of === 'struts'">{{ CLASS_NAMES[row.castClass] }}</h3>
        <CountField
          :label="row.label"
          :of="row.count"
          :model-value="seenOf(row.castClass, row.of)"
          @update:model-value="(seen) => setSeen(row.castClass, row.of, seen)"
          @next="goOn(i)"
        />
      </template>
    </div>
    <div class="base">
      <h3>Base</h3>
      <ChoiceRow
        label="How the base came out"
        :options="BASE_RESULTS"
        :model-value="trial.base ?? undefined"
        @choose="(base) => change({ base: trial.base === base ? null : base })"
      />
    </div>
    <div class="actions">
      <v-btn variant="flat" size="large" @click="emit('close')">Done</v-btn>
      <span class="mute"
        >Type a number, or a, m, h, f, n for all, most, half, few, none. Enter goes on, Esc closes; all is
        kept as you type.</span
      >
    </div>
    <details class="more">
      <summary>Flaws, temperatures, widths, photos, note</summary>
      <div class="flaws" role="group" aria-label="Flaws seen">
        <button
          v-for="flaw in COUPON_FLAWS"
          :key="flaw"
          type="button"
          :aria-pressed="trial.flaws.includes(flaw)"
          @click="toggleFlaw(flaw)"
        >
          {{ flaw }}
        </button>
      </div>
      <div class="form-grid roomy mt-3">
        <ReadingField
          v-bind="said('trial', 'roomC')"
          :model-value="trial.roomC"
          @update:model-value="(roomC) => change({ roomC: roomC ?? { state: 'not measured' } })"
        />
        <MomentField
          past
          label="Printed"
          :model-value="trial.printedAt"
          @update:model-value="(printedAt) => printedAt && change({ printedAt })"
        />
        <QuantityField
          v-bind="said('trial', 'baseLayers')"
          required
          :model-value="trial.baseLayers"
          @update:model-value="(n) => n !== undefined && change({ baseLayers: Math.round(n) })"
        />
        <QuantityField
          v-bind="said('trial', 'raftMm')"
          :model-value="trial.raftMm ?? undefined"
          @update:model-value="(mm) => change({ raftMm: mm ?? null })"
        />
        <QuantityField
          v-bind="said('trial', 'primingCoats')"
          :model-value="trial.primingCoats ?? undefined"
          @update:model-value="(n) => change({ primingCoats: n === undefined ? null : Math.round(n) })"
        />
        <NoteField
          label="Note"
          :model-value="trial.note"
          @update:model-value="(note) => change({ note: note ?? '' })"
        />
      </div>
      <WidthRows :widths="trial.widths" @change="(widths) => change({ widths })" />
      <PhotoRow :of="`Coupon ${number}`" :photos="trial.photos" @change="(photos) => change({ photos })" />
    </details>
  </section>
</template>

<style scoped>
.entry {
  padding: 14px 16px;
  margin-top: 14px;
  border-left: 4px solid var(--wax);
}
.head,
.actions {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}
.settings {
  display: grid;
  grid-template-columns: 150px 150px minmax(240px, 340px);
  gap: 12px;
  margin-top: 10px;
}
.counts,
.base {
  display: grid;
  gap: 8px;
  margin-top: 12px;
}
.actions {
  margin-top: 16px;
  font-size: 13.5px;
}
.more {
  margin-top: 14px;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
summary {
  cursor: pointer;
  min-height: 32px;
}
.flaws {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 6px;
}
.flaws button {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--line2);
  background: var(--paper);
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}
.flaws button[aria-pressed='true'] {
  background: var(--amber-text);
  color: var(--paper);
}
@media (max-width: 700px) {
  .settings {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
