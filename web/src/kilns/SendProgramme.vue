<script setup lang="ts">
import type { DeviceRun, Kiln } from '@zero-pour/contracts';
import { formatQuantity } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import { useQuickNow } from '../state/clock';
import { useDevices } from '../state/deviceStore';
import { useNotices } from '../state/notices';
import { useUnits } from '../state/unitStore';
import { clockWords, deviceGlance } from '../state/deviceWords';

/** A pour's programme, to the kiln's device: by two presses, never by itself. Stop is there while it runs. */
const props = defineProps<{
  pourId: string;
  kiln: Kiln;
  run: DeviceRun;
  /** Something speaks against sending: what is planned is to be mended first. */
  against: string | undefined;
}>();
const emit = defineEmits<{ sent: [] }>();
const devices = useDevices();
const notices = useNotices();
const units = useUnits();
const now = useQuickNow();
const state = computed(() => devices.of(props.kiln.id));
const glance = computed(() => state.value && deviceGlance(state.value, now.value.getTime(), units.choice));
const running = computed(() => state.value?.reading?.runId != null);
const degrees = (value: number): string => formatQuantity({ value, unit: 'degC' }, units.choice);
const hottest = computed(() => degrees(Math.max(...props.run.segments.map(({ targetC }) => targetC))));

const sure = shallowRef(false);
const busy = shallowRef(false);
async function send(): Promise<void> {
  if (!sure.value) return void (sure.value = true);
  [sure.value, busy.value] = [false, true];
  try {
    await devices.send(props.kiln.id, { ...props.run, id: crypto.randomUUID(), pourId: props.pourId });
    emit('sent');
  } catch (error) {
    notices.wrong(error);
  } finally {
    busy.value = false;
  }
}
const stop = (): void => void devices.stop(props.kiln.id).catch((error: unknown) => notices.wrong(error));
</script>

<template>
  <section class="stage-block" aria-label="The kiln’s device">
    <h2>{{ kiln.name }}, as it is read</h2>
    <p v-if="!state || !glance" class="mute">Its device is not heard yet: nothing can be sent.</p>
    <template v-else>
      <p>
        <b v-if="glance.readC !== undefined" class="num">{{ degrees(glance.readC) }}</b>
        <b v-else>{{ glance.word }}</b>
        {{ glance.more }}
        <template v-if="running && state.reading?.segment != null">
          Segment {{ state.reading.segment + 1 }} of {{ run.segments.length }}.
        </template>
      </p>
      <p v-if="clockWords(state)" class="mute">{{ clockWords(state) }}</p>
      <p v-if="against && !running" class="mute">{{ against }}</p>
      <div class="acts">
        <v-btn v-if="running" variant="flat" @click="stop">Stop the kiln</v-btn>
        <template v-else-if="state.link === 'on'">
          <v-btn :variant="sure ? 'flat' : 'outlined'" :loading="busy" @click="send">
            {{ sure ? `Heat it to ${hottest} now` : 'Send the programme' }}
          </v-btn>
          <template v-if="sure">
            <span>Flask in, door shut, hood on, nothing near the kiln that burns?</span>
            <button type="button" class="text-button" @click="sure = false">Not yet</button>
          </template>
        </template>
        <span v-else class="mute"
          >While the link is lost nothing can be sent. The kiln’s own switch is there.</span
        >
      </div>
    </template>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}
</style>
