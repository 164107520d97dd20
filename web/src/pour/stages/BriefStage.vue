<script setup lang="ts">
import {
  CAST_CLASSES,
  FINISHES,
  RING_SYSTEM_NAMES,
  RING_SYSTEMS,
  ringDiameterMm,
  ROUTES,
  type RingSystem,
  type StageKey,
} from '@zero-pour/core';
import { planEarliest, valueOf } from '@zero-pour/plan';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import MomentField from '../../components/MomentField.vue';
import NoteField from '../../components/NoteField.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useSlowNow } from '../../state/clock';
import { useNotices } from '../../state/notices';
import { usePours } from '../../state/pourStore';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import { formatMoment } from '../../time/formatMoment';
import StageHead from '../StageHead.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const shop = useShop();
const pours = usePours();
const notices = useNotices();
const router = useRouter();
const now = useSlowNow();

const brief = computed(() => pour.value.doc.brief);
const chosen = computed(() => new Set(brief.value.patterns.map((line) => line.patternId)));
const addable = computed(() =>
  shop.patterns.filter((p) => !chosen.value.has(p.id)).map((p) => ({ title: p.name, value: p.id })),
);
const alloys = computed(() => shop.lists.alloy.map((a) => ({ title: a.name, value: a.id })));

const addPattern = (patternId: string | null): void => {
  if (patternId) set(['brief', 'patterns'], [...brief.value.patterns, { patternId, count: 1 }]);
};
function setCount(patternId: string, count: number | undefined): void {
  if (count === undefined) return;
  set(
    ['brief', 'patterns'],
    brief.value.patterns.map((line) =>
      line.patternId === patternId ? { patternId, count: Math.round(count) } : line,
    ),
  );
}
const removePattern = (patternId: string): void =>
  set(
    ['brief', 'patterns'],
    brief.value.patterns.filter((line) => line.patternId !== patternId),
  );

const hold = computed(() => brief.value.holdSize);
function setHold(mm: number | undefined): void {
  set(
    ['brief', 'holdSize'],
    mm === undefined
      ? undefined
      : { ...hold.value, mm, surface: hold.value?.surface ?? 'outer', ring: undefined },
  );
}
const ringSystem = ref<RingSystem>(hold.value?.ring?.system ?? 'US');
const ringText = ref(hold.value?.ring?.size ?? '');
const ringProblem = ref('');
function setRing(): void {
  ringProblem.value = '';
  if (ringText.value.trim() === '') return;
  try {
    const mm = ringDiameterMm(ringSystem.value, ringText.value);
    const { toleranceMm } = hold.value ?? {};
    set(['brief', 'holdSize'], {
      mm: Math.round(mm * 1000) / 1000,
      surface: 'inner',
      ...(toleranceMm ? { toleranceMm } : {}),
      ring: { system: ringSystem.value, size: ringText.value.trim() },
    });
  } catch {
    ringProblem.value = `Not a ${RING_SYSTEM_NAMES[ringSystem.value]} size.`;
  }
}

const earliest = computed(() => {
  const burnout = valueOf(plan.value.burnout);
  return burnout && !pour.value.doc.burnout.startedAt
    ? planEarliest(plan.value.context, burnout, valueOf(plan.value.print), now.value)
    : null;
});
const late = computed(() => {
  const times = valueOf(plan.value.times);
  return times && !times.poured && !times.kilnStarted && times.start < now.value - 60_000
    ? times.start
    : undefined;
});
const takeEarliest = (): void => {
  if (earliest.value !== null) set(['brief', 'zeroAt'], new Date(earliest.value).toISOString());
};

async function putAside(): Promise<void> {
  const { id, number } = pour.value;
  try {
    await pours.discard(id, true);
    await router.push('/');
    notices.tell(`Pour ${number} is put aside.`, { label: 'Undo', run: () => void pours.discard(id, false) });
  } catch (error) {
    notices.wrong(error);
  }
}
</script>

<template>
  <StageHead stage="brief" title="Brief" line="what is wanted, by when, in what">
    <button type="button" class="text-button" @click="putAside">Put this pour aside</button>
  </StageHead>

  <section class="stage-block">
    <h2>Patterns and how many</h2>
    <table v-if="plan.context.parts.length > 0" class="plain parts">
      <tbody>
        <tr v-for="part in plan.context.parts" :key="part.pattern.id">
          <td>
            <router-link :to="`/patterns/${part.pattern.id}`">{{ part.pattern.name }}</router-link>
          </td>
          <td class="count">
            <QuantityField
              label="Castings wanted"
              unit="count"
              :model-value="part.count"
              :min="1"
              :max="500"
              required
              @update:model-value="(n) => setCount(part.pattern.id, n)"
            />
          </td>
          <td>
            <button
              type="button"
              class="text-button"
              :aria-label="`Take ${part.pattern.name} out`"
              @click="removePattern(part.pattern.id)"
            >
              Take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="add">
      <v-select
        v-if="addable.length > 0"
        label="Add a pattern of the shop"
        :items="addable"
        :model-value="null"
        @update:model-value="addPattern"
      />
      <v-btn :variant="plan.context.parts.length > 0 ? 'outlined' : 'flat'" @click="emit('goTo', 'pattern')"
        >Drop a new pattern file</v-btn
      >
    </div>
  </section>

  <section class="stage-block">
    <h2>Metal, class, finish</h2>
    <div class="form-grid">
      <v-select
        label="Metal"
        :items="alloys"
        :model-value="brief.alloyId"
        no-data-text="No metal in the shop yet: add one under Shop."
        @update:model-value="(id) => set(['brief', 'alloyId'], id)"
      />
      <v-select
        label="Class"
        :items="[...CAST_CLASSES]"
        :model-value="brief.castClass"
        hint="Drives temperatures and exposure"
        persistent-hint
        @update:model-value="(c) => set(['brief', 'castClass'], c)"
      />
      <v-select
        label="Finish"
        :items="[...FINISHES]"
        :model-value="brief.finish"
        @update:model-value="(f) => set(['brief', 'finish'], f)"
      />
      <v-select
        label="Route"
        :items="[...ROUTES]"
        :model-value="brief.route"
        readonly
        hint="No mold to make"
        persistent-hint
      />
    </div>
    <p v-if="alloys.length === 0" class="mute mt-2">
      <router-link to="/shop/alloy">Add a metal from the book</router-link>
    </p>
  </section>

  <section class="stage-block">
    <h2>Size that must hold in the finished piece</h2>
    <div class="form-grid">
      <QuantityField
        label="Size"
        unit="mm"
        :digits="3"
        :model-value="hold?.mm"
        :min="0.1"
        :max="400"
        hint="Leave empty when none must hold"
        @update:model-value="setHold"
      />
      <v-select
        label="Measured"
        :items="[
          { title: 'over metal (outside)', value: 'outer' },
          { title: 'across a hole (bore)', value: 'inner' },
        ]"
        :model-value="hold?.surface ?? 'outer'"
        :disabled="!hold"
        @update:model-value="(surface) => set(['brief', 'holdSize', 'surface'], surface)"
      />
      <QuantityField
        label="Tolerance ±"
        unit="mm"
        :model-value="hold?.toleranceMm"
        :min="0.005"
        :max="10"
        :disabled="!hold"
        @update:model-value="(t) => set(['brief', 'holdSize', 'toleranceMm'], t)"
      />
      <div class="ring">
        <v-select
          v-model="ringSystem"
          label="or ring size"
          :items="RING_SYSTEMS.map((s) => ({ title: RING_SYSTEM_NAMES[s], value: s }))"
          @update:model-value="setRing"
        />
        <v-text-field
          v-model="ringText"
          label="Size"
          autocomplete="off"
          :error-messages="ringProblem ? [ringProblem] : []"
          @update:model-value="setRing"
        />
      </div>
    </div>
  </section>

  <section class="stage-block">
    <h2>When</h2>
    <div class="form-grid when">
      <MomentField
        label="Pour wanted"
        :model-value="brief.zeroAt"
        @update:model-value="(at) => set(['brief', 'zeroAt'], at)"
      />
      <MomentField
        label="Due to the customer"
        :model-value="brief.dueAt"
        hint="If there is a day"
        @update:model-value="(at) => set(['brief', 'dueAt'], at)"
      />
    </div>
    <p v-if="late !== undefined" class="late">
      <b>Too late for that hour.</b> The first step left should have begun {{ formatMoment(late, now) }}.
    </p>
    <p v-if="earliest !== null" class="mute mt-2">
      Earliest pour that keeps bench hours: <b class="num">{{ formatMoment(earliest, now) }}</b>
      <button type="button" class="text-button ml-2" @click="takeEarliest">take it</button>
    </p>
  </section>

  <section class="stage-block">
    <h2>Note</h2>
    <div class="notes">
      <NoteField
        v-if="brief.againOf"
        :label="`What is different from pour ${brief.againOf}`"
        :model-value="brief.statedChange"
        @update:model-value="(t) => set(['brief', 'statedChange'], t)"
      />
      <NoteField
        label="Note"
        :rows="3"
        :model-value="brief.note"
        @update:model-value="(t) => set(['brief', 'note'], t)"
      />
    </div>
  </section>
</template>

<style scoped>
.parts {
  margin-bottom: 10px;
}
.count {
  width: 170px;
}
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
}
.ring {
  display: grid;
  grid-template-columns: 1fr 84px;
  gap: 6px;
  grid-column: span 2;
}
.when {
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
}
.late {
  margin-top: 10px;
  padding: 7px 11px;
  border-left: 4px solid var(--amber);
  background: #faefd8;
}
.notes {
  display: grid;
  gap: 12px;
}
@media (max-width: 600px) {
  .ring {
    grid-column: span 1;
  }
  .add {
    grid-template-columns: 1fr;
  }
}
</style>
