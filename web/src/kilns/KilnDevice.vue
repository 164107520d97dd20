<script setup lang="ts">
import type { Kiln } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { computed, onMounted } from 'vue';
import { useQuickNow } from '../state/clock';
import { useDevices } from '../state/deviceStore';
import { useNotices } from '../state/notices';
import { useUnits } from '../state/unitStore';
import { clockWords, deviceGlance } from '../state/deviceWords';
import StandInTroubles from './StandInTroubles.vue';

/** A kiln's controller: where it answers, and what it reads now. It is only ever read here, and stopped by a press. */
const props = defineProps<{ kiln: Kiln }>();
const emit = defineEmits<{ change: [kiln: Kiln] }>();
const devices = useDevices();
const notices = useNotices();
const units = useUnits();
const now = useQuickNow();
const wrong = (error: unknown): void => notices.wrong(error);
onMounted(() => void devices.look().catch(wrong));

const state = computed(() => devices.of(props.kiln.id));
const glance = computed(() => state.value && deviceGlance(state.value, now.value.getTime(), units.choice));
const standIn = computed(() => devices.standIns && `${devices.standIns}/kiln`);
const address = computed(() => props.kiln.deviceUrl?.trim() ?? '');
const set = (url: string): void => emit('change', { ...props.kiln, deviceUrl: url.trim() || null });
const degrees = (value: number): string => formatQuantity({ value, unit: 'degC' }, units.choice);
const stop = (): void => void devices.stop(props.kiln.id).catch(wrong);
</script>

<template>
  <section class="stage-block" aria-label="Device of this kiln">
    <h2>Device</h2>
    <div class="where">
      <v-text-field
        label="Its address"
        placeholder="http://"
        :model-value="address"
        @change="(event: Event) => set((event.target as HTMLInputElement).value)"
      />
      <v-btn v-if="standIn && address === ''" size="small" @click="set(standIn)">Use the stand-in</v-btn>
    </div>
    <p v-if="address === ''" class="mute">
      None: this kiln is not read, what is said of it is planned. A controller that speaks as the guide
      describes is read from here, and driven by a press only.
    </p>
    <template v-else>
      <p v-if="!state || !glance" class="mute">Not asked yet.</p>
      <template v-else>
        <p class="now" :class="{ lost: glance.readC === undefined }">
          <b v-if="glance.readC !== undefined" class="num">{{ degrees(glance.readC) }}</b>
          <b v-else>{{ glance.word }}</b>
          <span>{{ glance.more }}</span>
        </p>
        <p v-if="state.device" class="mute">{{ state.device.name }}. {{ clockWords(state) }}</p>
        <p v-if="state.reading?.runId && !state.runId" class="mute">
          It runs a programme that was not sent from here: it is not written down.
        </p>
        <v-btn v-if="state.reading?.runId" size="small" variant="flat" @click="stop">Stop the kiln</v-btn>
        <StandInTroubles v-if="state.device?.standIn" :kiln-id="kiln.id" :pace="state.device.pace" />
      </template>
    </template>
  </section>
</template>

<style scoped>
.where {
  display: grid;
  grid-template-columns: minmax(0, 460px) max-content;
  gap: 12px;
  align-items: center;
}
.now {
  display: flex;
  gap: 14px;
  align-items: baseline;
  margin-top: 12px;
  padding: 8px 12px;
  border-left: 5px solid var(--wax);
}
.now b {
  font-size: 24px;
  white-space: nowrap;
}
.now.lost {
  border-color: var(--oxide);
  background: var(--oxide-tint);
}
@media (max-width: 600px) {
  .where {
    grid-template-columns: minmax(0, 1fr);
  }
  .now {
    flex-wrap: wrap;
  }
}
</style>
