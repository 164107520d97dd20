<script setup lang="ts">
import { FIGURE_FROM, type Resin } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { USUAL_LAYER_MM } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useShop } from '../../state/shopStore';

/** Exposures from the maker's sheet and from other users, per printer or per light. */
type Row = Resin['reported'][number];
const props = defineProps<{ resin: Resin }>();
const emit = defineEmits<{ change: [rows: Row[]] }>();
const shop = useShop();

const ANY = 'any';
const printers = computed(() => [
  ...shop.lists.printer.map((p) => ({ title: p.name, value: p.id })),
  { title: 'any of that light', value: ANY },
]);
const set = (key: string, fields: Partial<Row>): void =>
  emit(
    'change',
    props.resin.reported.map((row) => (row.key === key ? { ...row, ...fields } : row)),
  );
/** A printer brings its wavelength along. */
function setPrinter(key: string, id: string): void {
  const printer = shop.lists.printer.find((p) => p.id === id);
  set(
    key,
    printer
      ? { printerId: id, wavelengthNm: printer.wavelengthNm, irradianceMwPerCm2: null }
      : { printerId: null },
  );
}
/** The seconds make a figure: without them nothing is written down, and nothing else is made up beside them. */
const adding = shallowRef(false);
function add(exposureS: number | undefined): void {
  if (exposureS === undefined) return;
  adding.value = false;
  const printer = shop.lists.printer.find((p) => !p.retired);
  const row: Row = {
    key: crypto.randomUUID().slice(0, 8),
    from: 'maker',
    printerId: printer?.id ?? null,
    wavelengthNm: printer?.wavelengthNm ?? 405,
    irradianceMwPerCm2: null,
    layerMm: USUAL_LAYER_MM,
    exposureS,
    baseExposureS: null,
    baseLayers: null,
    vatC: null,
  };
  emit('change', [...props.resin.reported, row]);
}
</script>

<template>
  <section class="stage-block">
    <h2>Exposures from the maker and from others</h2>
    <div
      v-for="row in resin.reported"
      :key="row.key"
      class="line"
      role="group"
      :aria-label="`Figure from ${row.from}`"
    >
      <v-select
        label="From"
        :items="[...FIGURE_FROM]"
        :model-value="row.from"
        @update:model-value="(from) => set(row.key, { from })"
      />
      <v-select
        label="For"
        :items="printers"
        :model-value="row.printerId ?? ANY"
        @update:model-value="(id: string) => setPrinter(row.key, id)"
      />
      <template v-if="row.printerId === null">
        <QuantityField
          v-bind="said('resin', 'reported', '0', 'wavelengthNm')"
          required
          :model-value="row.wavelengthNm"
          @update:model-value="(nm) => nm !== undefined && set(row.key, { wavelengthNm: nm })"
        />
        <QuantityField
          v-bind="said('resin', 'reported', '0', 'irradianceMwPerCm2')"
          :model-value="row.irradianceMwPerCm2 ?? undefined"
          @update:model-value="(i) => set(row.key, { irradianceMwPerCm2: i ?? null })"
        />
      </template>
      <QuantityField
        v-bind="said('resin', 'reported', '0', 'layerMm')"
        required
        :model-value="row.layerMm"
        @update:model-value="(mm) => mm !== undefined && set(row.key, { layerMm: mm })"
      />
      <QuantityField
        v-bind="said('resin', 'reported', '0', 'exposureS')"
        required
        :model-value="row.exposureS"
        @update:model-value="(s) => s !== undefined && set(row.key, { exposureS: s })"
      />
      <QuantityField
        v-bind="said('resin', 'reported', '0', 'baseExposureS')"
        :model-value="row.baseExposureS ?? undefined"
        @update:model-value="(s) => set(row.key, { baseExposureS: s ?? null })"
      />
      <QuantityField
        v-bind="said('resin', 'reported', '0', 'baseLayers')"
        :model-value="row.baseLayers ?? undefined"
        @update:model-value="(n) => set(row.key, { baseLayers: n === undefined ? null : Math.round(n) })"
      />
      <QuantityField
        v-bind="said('resin', 'reported', '0', 'vatC')"
        :model-value="row.vatC ?? undefined"
        @update:model-value="(c) => set(row.key, { vatC: c ?? null })"
      />
      <button
        type="button"
        class="text-button"
        @click="
          emit(
            'change',
            resin.reported.filter((r) => r.key !== row.key),
          )
        "
      >
        away
      </button>
    </div>
    <p v-if="resin.reported.length === 0" class="mute">
      None yet. The bottle or its sheet names one: it is where the search begins.
    </p>
    <QuantityField
      v-if="adding"
      v-bind="said('resin', 'reported', '0', 'exposureS')"
      class="first"
      hint="seconds a layer, as the bottle or sheet says"
      :model-value="undefined"
      @update:model-value="add"
    />
    <v-btn v-else size="small" class="mt-2" @click="adding = true">Add a figure</v-btn>
  </section>
</template>

<style scoped>
.first {
  max-width: 320px;
  margin-top: 8px;
}
.line {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(124px, 1fr));
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
</style>
