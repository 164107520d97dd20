<script setup lang="ts">
import { BURN_EVENTS, type BurnEvent, type PourDoc } from '@zero-pour/contracts';
import { formatPhrase } from '@zero-pour/core';
import type { WayOn } from '@zero-pour/plan';
import { computed } from 'vue';
import MomentField from '../components/MomentField.vue';
import { useUnits } from '../state/unitStore';

/** What befalls a burnout: one press when it happens, or typed later. */
type Event = NonNullable<PourDoc['burnout']['events']>[number];
const props = defineProps<{
  events: readonly Event[] | undefined;
  waysOn: readonly WayOn[];
  now: () => number;
}>();
const emit = defineEmits<{ change: [events: Event[]] }>();
const units = useUnits();

/** What takes no time is told by one moment. */
const AT_ONCE: readonly BurnEvent[] = ['turned', 'moved'];
const NAMES: Record<BurnEvent, string> = {
  'power out': 'Power out',
  'door open': 'Door open',
  fault: 'Controller stopped',
  turned: 'Turned',
  moved: 'Moved',
};
const all = computed(() => [...(props.events ?? [])].sort((a, b) => a.at.localeCompare(b.at)));
const moment = (): string => new Date(props.now()).toISOString();
const lasts = ({ kind, until }: Event): boolean => until === undefined && !AT_ONCE.includes(kind);

const add = (kind: BurnEvent): void =>
  emit('change', [...all.value, { key: crypto.randomUUID().slice(0, 8), kind, at: moment() }]);
const remove = (key: string): void => emit('change', all.value.filter((one) => one.key !== key)); // prettier-ignore
/** Changes one; `until` undefined: it lasts still. */
function change(key: string, { at, until }: { at?: string | undefined; until?: string | undefined }): void {
  const changed = all.value.map((one) => {
    if (one.key !== key) return one;
    const { until: _, ...rest } = one;
    return { ...rest, at: at ?? one.at, ...(until === undefined ? {} : { until }) };
  });
  emit('change', changed);
}
</script>

<template>
  <section aria-label="What happened at the kiln">
    <div class="acts" role="group" aria-label="Something happened">
      <span class="mute">Something happened:</span>
      <v-btn v-for="kind in BURN_EVENTS" :key="kind" size="small" @click="add(kind)">{{ NAMES[kind] }}</v-btn>
    </div>
    <ul v-if="all.length > 0">
      <li v-for="event in all" :key="event.key" :class="{ lasts: lasts(event) }">
        <b>{{ NAMES[event.kind] }}</b>
        <MomentField
          :label="AT_ONCE.includes(event.kind) ? 'At' : 'From'"
          :model-value="event.at"
          past
          @update:model-value="(at) => change(event.key, { at, until: event.until })"
        />
        <MomentField
          v-if="!AT_ONCE.includes(event.kind)"
          label="To"
          :model-value="event.until"
          hint="lasts still"
          past
          @update:model-value="(until) => change(event.key, { until })"
        />
        <v-btn v-if="lasts(event)" size="small" variant="flat" @click="change(event.key, { until: moment() })"
          >It is over</v-btn
        >
        <button type="button" class="text-button" @click="remove(event.key)">out</button>
      </li>
    </ul>
    <template v-if="waysOn.length > 0">
      <h3>The ways on</h3>
      <ol class="ways">
        <li v-for="way in waysOn" :key="way.lead">
          <b>{{ way.lead }}</b> {{ formatPhrase(way.why, units.choice) }}
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 14px;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
ul li {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr) minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  padding: 8px 10px;
  border-top: 1px solid var(--line);
}
.lasts {
  border-left: 4px solid var(--oxide);
  background: var(--oxide-tint);
}
h3 {
  margin-top: 14px;
}
.ways {
  margin: 6px 0 0;
  padding-left: 22px;
}
@media (max-width: 700px) {
  ul li > :deep(.v-input) {
    width: 100%;
  }
  ul li {
    grid-template-columns: minmax(0, 1fr);
    justify-items: start;
  }
}
</style>
