<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { said } from '../../components/said';
import { computed } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import { useShop } from '../../state/shopStore';

/** What a mix is mixed from: it is a resin of its own, with its own figures. */
type Share = Resin['blendOf'][number];
const props = defineProps<{ resin: Resin }>();
const emit = defineEmits<{ change: [shares: Share[]] }>();
const shop = useShop();

const others = computed(() => shop.lists.resin.filter((r) => r.id !== props.resin.id));
const total = computed(() => props.resin.blendOf.reduce((sum, share) => sum + share.percent, 0));
const set = (index: number, fields: Partial<Share>): void =>
  emit(
    'change',
    props.resin.blendOf.map((share, i) => (i === index ? { ...share, ...fields } : share)),
  );
const add = (): void => {
  const first = others.value[0];
  if (first)
    emit('change', [...props.resin.blendOf, { resinId: first.id, percent: Math.max(1, 100 - total.value) }]);
};
</script>

<template>
  <section class="stage-block">
    <h2>A mix of</h2>
    <div v-for="(share, i) in resin.blendOf" :key="i" class="share">
      <v-select
        label="Resin"
        :items="others.map((r) => ({ title: r.name, value: r.id }))"
        :model-value="share.resinId"
        @update:model-value="(resinId: string) => set(i, { resinId })"
      />
      <QuantityField
        v-bind="said('resin', 'blendOf', '0', 'percent')"
        required
        :model-value="share.percent"
        @update:model-value="(percent) => percent !== undefined && set(i, { percent })"
      />
      <button
        type="button"
        class="text-button"
        @click="
          emit(
            'change',
            resin.blendOf.filter((_, k) => k !== i),
          )
        "
      >
        away
      </button>
    </div>
    <p v-if="resin.blendOf.length > 0 && Math.round(total) !== 100" class="warn">
      The shares come to {{ total }} %, not 100.
    </p>
    <p v-if="resin.blendOf.length === 0" class="mute">Not a mix.</p>
    <v-btn v-if="others.length > 0 && resin.blendOf.length < 4" size="small" class="mt-2" @click="add"
      >It is mixed from …</v-btn
    >
  </section>
</template>

<style scoped>
.share {
  display: grid;
  grid-template-columns: minmax(160px, 300px) 120px auto;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
  justify-items: start;
}
.share > :first-child {
  width: 100%;
}
.warn {
  color: var(--amber-text);
}
</style>
