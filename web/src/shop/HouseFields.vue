<script setup lang="ts">
import { HOUSE_SPRUES, HOUSE_TAKES, type House } from '@zero-pour/contracts';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import { useShop } from '../state/shopStore';

/** Casting houses that burn out and pour for the shop. */
const props = defineProps<{ houses: readonly House[] | undefined }>();
const emit = defineEmits<{ change: [houses: House[]] }>();
const shop = useShop();
const WORDS = { prints: 'prints', trees: 'sprued trees' } as const;
const DAYS = ['daysThere', 'daysWithIt', 'daysBack'] as const;
const all = (): House[] => [...(props.houses ?? [])];
const put = (house: House): void => emit('change', all().map((one) => (one.key === house.key ? house : one))); // prettier-ignore
function setDays(house: House, field: (typeof DAYS)[number], days: number | undefined): void {
  if (field !== 'daysWithIt') {
    if (days !== undefined) put({ ...house, [field]: days });
    return;
  }
  const { daysWithIt: _before, ...rest } = house;
  put(days === undefined ? rest : { ...rest, daysWithIt: days });
}
/** A field that nobody needs to fill. */
function setMaybe<F extends 'sprues' | 'resinIds' | 'shrinkPercent' | 'pricePerPiece' | 'waxOnly'>(
  house: House,
  field: F,
  value: House[F],
): void {
  const { [field]: _before, ...rest } = house;
  put((value === undefined ? rest : { ...rest, [field]: value }) as House);
}
const add = (): void =>
  emit('change', [
    ...all(),
    { key: crypto.randomUUID().slice(0, 8), name: 'Casting house', daysThere: 1, daysBack: 1, takes: 'prints', accepts: '' },
  ]); // prettier-ignore
const remove = (key: string): void => emit('change', all().filter((one) => one.key !== key)); // prettier-ignore
</script>

<template>
  <section class="stage-block" aria-label="Casting houses">
    <h2>Casting houses</h2>
    <p class="mute mb-3">
      A pour can go to one at its burnout. What their kiln does is not known here: only the days are counted.
    </p>
    <div v-for="house in houses ?? []" :key="house.key" class="house" role="group" :aria-label="house.name">
      <NoteField
        label="Called"
        :max="120"
        :model-value="house.name"
        @update:model-value="(name) => name && put({ ...house, name })"
      />
      <v-select
        label="Takes"
        :items="HOUSE_TAKES.map((value) => ({ title: WORDS[value], value }))"
        :model-value="house.takes"
        @update:model-value="(takes) => put({ ...house, takes })"
      />
      <QuantityField
        v-for="field in DAYS"
        :key="field"
        v-bind="said('settings', 'houses', 'each', field)"
        :hint="field === 'daysWithIt' ? 'empty: not known' : undefined"
        :required="field !== 'daysWithIt'"
        :model-value="house[field]"
        @update:model-value="(days) => setDays(house, field, days)"
      />
      <NoteField
        label="Accepts, as it says"
        :max="300"
        :model-value="house.accepts"
        @update:model-value="(accepts) => put({ ...house, accepts: accepts ?? '' })"
      />
      <v-select
        label="Puts the sprues on"
        :items="HOUSE_SPRUES.map((value) => ({ title: value === 'house' ? 'the house' : 'we do', value }))"
        :model-value="house.sprues"
        clearable
        @update:model-value="
          (sprues: House['sprues'] | null) => setMaybe(house, 'sprues', sprues ?? undefined)
        "
      />
      <v-autocomplete
        label="Takes these resins alone"
        multiple
        :items="shop.lists.resin.map(({ id, name }) => ({ title: name, value: id }))"
        :model-value="house.resinIds ?? []"
        hint="none chosen: nobody has said"
        persistent-hint
        @update:model-value="(ids: string[]) => setMaybe(house, 'resinIds', ids.length > 0 ? ids : undefined)"
      />
      <QuantityField
        v-for="field in ['shrinkPercent', 'pricePerPiece'] as const"
        :key="field"
        v-bind="said('settings', 'houses', 'each', field)"
        hint="empty: not told"
        :model-value="house[field]"
        @update:model-value="(value) => setMaybe(house, field, value)"
      />
      <v-checkbox
        label="Takes wax only"
        :model-value="house.waxOnly ?? false"
        @update:model-value="(on) => setMaybe(house, 'waxOnly', on === true ? true : undefined)"
      />
      <v-btn size="small" :aria-label="`Take ${house.name} off`" @click="remove(house.key)">Take off</v-btn>
    </div>
    <v-btn size="small" @click="add()">Add a casting house</v-btn>
  </section>
</template>

<style scoped>
.house {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 12px;
}
</style>
