<script setup lang="ts" generic="K extends ShopKind">
import type { ShopItem, ShopKind } from '@zero-pour/contracts';
import { computed } from 'vue';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { ITEM_FIELDS } from './itemFields';
import type { ItemField } from './itemField';

/** The fields of one thing of the shop; what is typed goes up as a changed item. */
const props = defineProps<{ kind: K; item: ShopItem<K> }>();
const emit = defineEmits<{ change: [item: ShopItem<K>] }>();

const fields = computed(() => ITEM_FIELDS[props.kind] as readonly ItemField<ShopKind>[]);
const values = computed(() => props.item as Record<string, unknown>);
const set = (field: string, value: unknown): void => emit('change', { ...props.item, [field]: value });
function setNumber(field: ItemField<ShopKind>, value: number | undefined): void {
  if (field.type !== 'number') return;
  if (value !== undefined) set(field.field, field.whole ? Math.round(value) : value);
  else if (field.nullable) set(field.field, null);
}
/** Resins are often sold by the litre: their price may be told so. */
const litres = (field: string): { gPerMl?: number } => {
  const gPerMl = values.value['densityGPerMl'];
  return field === 'pricePerKg' && typeof gPerMl === 'number' ? { gPerMl } : {};
};
/** A name must not vanish while it is retyped; other texts may be empty. */
function setText(field: string, text: string | undefined): void {
  if (field === 'name' && !text?.trim()) return;
  set(field, text ?? '');
}
</script>

<template>
  <div class="form-grid">
    <template v-for="field in fields" :key="field.field">
      <h3 v-if="field.group" class="group">{{ field.group }}</h3>
      <QuantityField
        v-if="field.type === 'number'"
        :label="field.label"
        :unit="field.unit"
        :digits="field.digits ?? 3"
        :min="field.min"
        :max="field.max"
        :hint="field.hint ?? ''"
        v-bind="litres(field.field)"
        :required="!field.nullable"
        :model-value="(values[field.field] as number | null) ?? undefined"
        @update:model-value="(value) => setNumber(field, value)"
      />
      <v-select
        v-else-if="field.type === 'choice'"
        :label="field.label"
        :items="[...field.options]"
        :model-value="values[field.field] as string"
        @update:model-value="(value) => set(field.field, value)"
      />
      <v-checkbox
        v-else-if="field.type === 'yes'"
        :label="field.label"
        :model-value="values[field.field]"
        @update:model-value="(value) => set(field.field, value === true)"
      />
      <NoteField
        v-else
        :class="{ long: field.long }"
        :label="field.label"
        :rows="field.long ? 2 : 1"
        :max="field.field === 'name' ? 120 : 200"
        :model-value="values[field.field] as string"
        @update:model-value="(text) => setText(field.field, text)"
      />
    </template>
  </div>
</template>

<style scoped>
.long,
.group {
  grid-column: 1 / -1;
}
.group {
  margin-top: 10px;
  font-size: 14px;
  color: var(--mute);
  border-bottom: 1px solid var(--line);
}
</style>
