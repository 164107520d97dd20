<script setup lang="ts">
import { MOST_RUN_ROWS, type KilnRun } from '@zero-pour/contracts';
import { findEvents, thinLog } from '@zero-pour/core';
import { computed, defineAsyncComponent, shallowRef, watch } from 'vue';
import MomentField from '../components/MomentField.vue';
import NumberList from '../components/NumberList.vue';
import PickRow from '../components/PickRow.vue';
import { useKilnRuns } from '../state/kilnRunStore';
import { useNotices } from '../state/notices';
import { useUnits } from '../state/unitStore';
import { logStart } from './logStart';
import { logRows } from './logWords';
import { useLogFile } from './useLogFile';

const LogChart = defineAsyncComponent(() => import('./LogChart.vue'));
/** A kiln's log out of a file: looked at first, kept by a press. */
const props = defineProps<{
  kilnId: string;
  /** The pour that it burnt out, and when that went in. */
  pourId?: string | undefined;
  near?: number | undefined;
}>();
const emit = defineEmits<{ kept: [run: KilnRun] }>();
const store = useKilnRuns();
const notices = useNotices();
const units = useUnits();
const { opened, refused, busy, pick, inUnit, forget } = useLogFile();

const startsAt = shallowRef<string>();
watch(opened, (now, before) => {
  if (!now || now.text === before?.text) return;
  const start = logStart(now.log, props.near);
  startsAt.value = start === undefined ? undefined : new Date(start).toISOString();
});
const from = computed(() => (startsAt.value === undefined ? undefined : Date.parse(startsAt.value)));
const log = computed(() => opened.value?.log);
const startHint = computed(() => {
  if (log.value?.times === 'moment')
    return log.value.zoned ? 'As the file says.' : 'As the file says, by the shop’s clock.';
  return log.value?.times === 'clock'
    ? 'The file has no day.'
    : 'The file says no clock time: when was its first row?';
});
const events = computed(() => (log.value ? findEvents(log.value) : []));
const numbers = computed(() => (log.value ? logRows(log.value, units.choice) : []));

async function keep(): Promise<void> {
  if (!opened.value || startsAt.value === undefined) return;
  const { name, log: read } = opened.value;
  busy.value = true;
  try {
    const { kilnId, pourId = null } = props;
    const run = await store.keep({
      kilnId,
      pourId,
      name,
      startedAt: startsAt.value,
      ...thinLog(read, MOST_RUN_ROWS),
    });
    forget();
    emit('kept', run);
  } catch (error) {
    notices.wrong(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="add-log">
    <v-btn size="small" :loading="busy" @click="pick">Read a log’s file</v-btn>
    <p v-if="refused" class="refused" role="alert">
      <b>{{ refused.name }}</b> {{ refused.why }}
    </p>
    <section v-if="opened && log" class="sheet pad" :aria-label="`Log ${opened.name}`">
      <h3>{{ opened.name }}</h3>
      <LogChart :readings="log" :from="from" :events="events" class="mt-2" />
      <div class="form-grid mt-3">
        <MomentField v-model="startsAt" label="First row" :hint="startHint" past />
      </div>
      <p v-if="log.unitSaid === null" class="mute mt-3">
        The file does not say its unit; °{{ log.unit }} was taken. Look at the hottest.
      </p>
      <PickRow
        v-if="log.unitSaid === null"
        label="Its numbers are"
        :things="[
          { key: 'C', name: '°C' },
          { key: 'F', name: '°F' },
        ]"
        :picked="log.unit"
        @pick="inUnit"
      />
      <NumberList :rows="numbers" class="mt-2" />
      <div class="acts mt-3">
        <v-btn variant="flat" :loading="busy" :disabled="startsAt === undefined" @click="keep"
          >Keep this log</v-btn
        >
        <button type="button" class="text-button" @click="forget">Leave it</button>
        <span v-if="startsAt === undefined" class="mute">Say when its first row was.</span>
      </div>
    </section>
  </div>
</template>

<style scoped>
.refused {
  margin: 10px 0 0;
  padding: 8px 11px;
  border-left: 4px solid var(--oxide);
  background: var(--oxide-tint);
}
.pad {
  margin-top: 12px;
  padding: 14px 16px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
</style>
