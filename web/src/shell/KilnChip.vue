<script setup lang="ts">
import { formatQuantity } from '@zero-pour/core';
import { kilnStates } from '@zero-pour/plan';
import { computed } from 'vue';
import { useBoard } from '../state/boardStore';
import { useSlowNow } from '../state/clock';
import { useDevices } from '../state/deviceStore';
import { deviceGlance } from '../state/deviceWords';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { heatColour } from '../theme/heat';

/** What the kiln is at: as it is read where it has a device, else as it is planned, and said which. */
const units = useUnits();
const shop = useShop();
const board = useBoard();
const devices = useDevices();
const now = useSlowNow();
const planned = computed(() => kilnStates(board.rows, now.value)[0]);
/** The kiln of the burnout that is on; without one, any that is read. */
const device = computed(
  () => devices.of(planned.value?.kilnId) ?? (planned.value ? undefined : devices.list[0]),
);
const name = computed(() => shop.lists.kiln.find(({ id }) => id === device.value?.kilnId)?.name ?? 'Kiln');
const glance = computed(() => device.value && deviceGlance(device.value, now.value, units.choice));
const degrees = (value: number): string => formatQuantity({ value, unit: 'degC' }, units.choice);
</script>

<template>
  <router-link
    v-if="device && glance"
    :to="`/shop/kiln/${device.kilnId}`"
    class="chip wide"
    :class="{ lost: glance.readC === undefined }"
    :title="glance.more"
  >
    <i v-if="glance.readC !== undefined" class="dot" :style="{ background: heatColour(glance.readC) }" />
    <span>
      {{ name }} <b v-if="glance.readC !== undefined">{{ degrees(glance.readC) }}</b> {{ glance.word }}
    </span>
  </router-link>
  <span v-else-if="planned" class="chip wide" title="By the programme, not by a thermometer">
    <template v-if="planned.plannedC === null">
      {{ planned.name }} <b>{{ planned.doing }}</b>, not known
    </template>
    <template v-else>
      <i class="dot" :style="{ background: heatColour(planned.plannedC) }" />
      {{ planned.name }} <b>{{ degrees(planned.plannedC) }}</b> {{ planned.doing }}, planned
    </template>
  </span>
</template>

<style scoped>
.dot {
  width: 10px;
  height: 10px;
  border-radius: 50%;
}
.lost {
  border-color: var(--oxide);
  border-left-width: 5px;
}
</style>
