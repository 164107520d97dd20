<script setup lang="ts">
import type { Printer, Resin } from '@zero-pour/contracts';
import type { BeforeKey } from '@zero-pour/core';
import { shallowRef } from 'vue';
import QuantityField from '../../components/QuantityField.vue';
import BeforePrintList from './BeforePrintList.vue';

/** The checklist with the room as it is now. */
defineProps<{ resin: Resin; printer: Printer; ticked?: Partial<Record<BeforeKey, string>> }>();
const emit = defineEmits<{ tick: [key: BeforeKey, done: boolean] }>();
const roomC = shallowRef<number>();
</script>

<template>
  <div class="room">
    <QuantityField
      label="Room now"
      unit="degC"
      :min="0"
      :max="50"
      :model-value="roomC"
      @update:model-value="(c) => (roomC = c)"
    />
  </div>
  <BeforePrintList
    :resin="resin"
    :printer="printer"
    :room-c="roomC ?? null"
    v-bind="ticked ? { ticked } : {}"
    @tick="(key, done) => emit('tick', key, done)"
  />
</template>

<style scoped>
.room {
  width: 150px;
  margin-bottom: 10px;
}
</style>
