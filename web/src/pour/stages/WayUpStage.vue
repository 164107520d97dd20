<script setup lang="ts">
import type { Pattern } from '@zero-pour/contracts';
import NumberList from '../../components/NumberList.vue';
import PickRow from '../../components/PickRow.vue';
import { said } from '../../components/said';
import { formatQuantity, NO_ROTATION, type Gates, type Rotation, type StageKey } from '@zero-pour/core';
import { standingJob } from '@zero-pour/jobs';
import { nameOfPart, standingWish, valueOf, type PartGates } from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import FigureValue from '../../components/FigureValue.vue';
import JudgementList from '../../components/JudgementList.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useJob } from '../../jobs';
import { useUnits } from '../../state/unitStore';
import { usePour } from '../../state/usePour';
import { PartView, type Point, type ViewShape } from '../../pattern';
import { cleanColours, sameFace } from '../wayUp/cleanFaces';
import GateMarks from '../gates/GateMarks.vue';
import GatesOnPart from '../gates/GatesOnPart.vue';
import FillOnPart from '../gates/FillOnPart.vue';
import { useFillColours } from '../gates/useFillColours';
import DrawSprues from '../gates/DrawSprues.vue';
import { useGates } from '../gates/useGates';
import StandingAdvice from '../wayUp/StandingAdvice.vue';
import SupportMarks from '../wayUp/SupportMarks.vue';
import SaveScaled from '../scale/SaveScaled.vue';
import WaySearch from '../wayUp/WaySearch.vue';
import StageHead from '../StageHead.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const units = useUnits();
const index = shallowRef(0);

const entries = computed(() => plan.value.gates);
const entry = computed<PartGates | undefined>(
  () => entries.value[Math.min(index.value, entries.value.length - 1)],
);
const rotation = computed<Rotation>(() => entry.value?.part.rotation ?? NO_ROTATION);
const mm = (value: number, digits = 1): string => formatQuantity({ value, unit: 'mm', digits }, units.choice);

function turn(change: Partial<Rotation>): void {
  if (entry.value)
    set(['wayUp', 'lines', entry.value.part.key, 'rotation'], { ...rotation.value, ...change });
}
function setGates(change: Partial<Gates>): void {
  if (entry.value)
    set(['wayUp', 'lines', entry.value.part.key, 'gates'], { ...entry.value.gates, ...change });
}
/* Faces that must stay clean are clicked on the model, and clicked again to let them go. */
const loadedShape = shallowRef<{ patternId: string; shape: ViewShape }>();
/** The shape of the pattern on show; none while another's is still being fetched. */
const shape = computed(() =>
  loadedShape.value?.patternId === entry.value?.part.pattern.id ? loadedShape.value?.shape : undefined,
);
const takeShape = (loaded: ViewShape, { id }: Pattern): void =>
  void (loadedShape.value = { patternId: id, shape: loaded });
const picking = shallowRef(false);
const clean = computed(() => pour.value.doc.wayUp.lines[entry.value?.part.key ?? '']?.clean ?? []);
const placing = shallowRef(false);
watch(placing, (on) => on && (picking.value = false));
watch(picking, (on) => on && (placing.value = false));
const gates = useGates(() => entry.value);
const placedCount = computed(() => gates.placed.value.length);
const hidden = shallowRef(false);
function pick(picked: { at: Point; vertices: Point } | null): void {
  if (placing.value && picked && shape.value) return gates.press(picked, shape.value);
  if (!picking.value || !picked || !entry.value || !shape.value) return;
  const kept = clean.value.filter((point) => !sameFace(shape.value!, point, picked.at));
  const points = kept.length < clean.value.length ? kept : [...clean.value, picked.at];
  set(['wayUp', 'lines', entry.value.part.key, 'clean'], points.length > 0 ? points : undefined);
}
/** Those of its filling stand with it, beneath. */
const gateJudgements = computed(() =>
  (entry.value?.judgements ?? []).filter((one) => !entry.value!.fill.judgements.includes(one)),
);
const coloured = shallowRef(false);
const fillColours = useFillColours(
  () => entry.value?.fill,
  () => shape.value,
  () => coloured.value && !picking.value,
);
const colours = computed(
  () =>
    fillColours.value ??
    (shape.value && clean.value.length > 0 ? cleanColours(shape.value, clean.value) : null),
);

/* What the layers say as it stands: the same reading that the plan judges the plate's hold by. */
const { state: standing, ask } = useJob(standingJob, { waitMs: 500 });
const wish = computed(() => entry.value && standingWish(plan.value.context, entry.value.part));
watch(wish, (now) => now && ask(now), { immediate: true });
const advice = computed(() => (standing.value.status === 'done' ? standing.value.output : undefined));
const scale = computed(() => valueOf(plan.value.scale));
const supported = computed(() => pour.value.doc.wayUp.lines[entry.value?.part.key ?? '']?.supported === true);

/** Nearest angle within half a turn, so that the field never runs away. */
const tidy = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;
const AXES = [
  { field: 'xDeg', name: 'About x' },
  { field: 'yDeg', name: 'About y' },
  { field: 'zDeg', name: 'About z' },
] as const;
const stance = computed(() => {
  const { heightMm, footprintMm, cylinderDiameterMm } = entry.value!.part.stance;
  return [
    ['Height', mm(heightMm)],
    ['Footprint', footprintMm.map(mm).join(' × ')],
    ['Bounding cylinder', `Ø ${mm(cylinderDiameterMm)}`],
  ] as const;
});
</script>

<template>
  <StageHead
    stage="wayUp"
    title="Way up and gates"
    line="how it stands on the plate, where metal will enter"
    can-leave
  />
  <p v-if="!entry" class="mute">
    Choose a pattern first.
    <button type="button" class="text-button" @click="emit('goTo', 'pattern')">Pattern</button>
  </p>
  <template v-else>
    <PickRow
      v-if="entries.length > 1"
      label="Pattern"
      :things="
        entries.map(({ part: { key }, part }) => ({ key, name: nameOfPart(part, plan.context.parts) }))
      "
      :picked="entry.part.key"
      @pick="(key) => (index = entries.findIndex(({ part }) => part.key === key))"
    />
    <div class="look">
      <PartView
        :pattern="entry.part.pattern"
        :rotation="rotation"
        :colours="colours"
        plate
        class="view"
        @shape="takeShape"
        @pick="pick"
      >
        <template #default="over">
          <GateMarks
            v-if="placing || entry.placed.length > 0"
            :gates="entry.placed"
            :movable="placedCount"
            :feed="entry.feed"
            :last-filled="entry.fill.reading?.last"
            v-bind="over"
            @move="(n, to) => ((hidden = false), shape && gates.move(n, to, shape))"
            @hidden="hidden = true"
          />
          <SupportMarks
            v-else-if="advice && !picking"
            :advice="advice"
            :supported="supported"
            v-bind="over"
          />
        </template>
      </PartView>
      <div>
        <div v-for="axis in AXES" :key="axis.field" class="axis">
          <QuantityField
            v-bind="said('pour', 'wayUp', 'lines', '*', 'rotation', axis.field)"
            :label="axis.name"
            :model-value="rotation[axis.field]"
            required
            @update:model-value="(deg) => deg !== undefined && turn({ [axis.field]: deg })"
          />
          <v-btn
            size="small"
            :aria-label="`${axis.name} 15 degrees back`"
            @click="turn({ [axis.field]: tidy(rotation[axis.field] - 15) })"
            >−15</v-btn
          >
          <v-btn
            size="small"
            :aria-label="`${axis.name} 15 degrees on`"
            @click="turn({ [axis.field]: tidy(rotation[axis.field] + 15) })"
            >+15</v-btn
          >
        </div>
        <NumberList :rows="stance" />
        <button type="button" class="text-button" @click="turn(NO_ROTATION)">As in the file</button>
      </div>
    </div>
    <section class="stage-block">
      <h2>
        Gates of each {{ entry.part.pattern.name
        }}{{
          !entry.proposed
            ? ''
            : entry.inFile > 0
              ? ' (as the file has them, not set yet)'
              : ' (proposed by the modulus rule, not set yet)'
        }}
      </h2>
      <p v-if="hidden" role="alert">
        That gate does not face you, or its way leads off the part: turn the part, then move it.
      </p>
      <GatesOnPart v-model:placing="placing" :entry="entry" class="on-part" />
      <div class="form-grid">
        <QuantityField
          v-if="placedCount === 0"
          v-bind="said('pour', 'wayUp', 'lines', '*', 'gates', 'count')"
          :model-value="entry.gates.count"
          required
          @update:model-value="(n) => n !== undefined && setGates({ count: Math.round(n) })"
        />
        <QuantityField
          v-if="placedCount === 0"
          v-bind="said('pour', 'wayUp', 'lines', '*', 'gates', 'diameterMm')"
          :model-value="entry.gates.diameterMm"
          required
          @update:model-value="(d) => d !== undefined && setGates({ diameterMm: d })"
        />
        <QuantityField
          v-if="placedCount === 0"
          v-bind="said('pour', 'wayUp', 'lines', '*', 'gates', 'lengthMm')"
          :model-value="entry.gates.lengthMm"
          required
          @update:model-value="(l) => l !== undefined && setGates({ lengthMm: l })"
        />
        <v-btn v-if="entry.proposed" variant="flat" class="take" @click="setGates({})"
          >Take the proposal</v-btn
        >
      </div>
      <p v-if="placedCount === 0" class="mt-3">
        The modulus rule asks for
        <FigureValue :figure="entry.advice" class="num" @go-to="(s) => emit('goTo', s)" />, on the thickest
        mass: by the whole part’s V/A, which sees no necks. Gates with a place on the part are followed to
        each mass.
      </p>
      <JudgementList :judgements="gateJudgements" />
    </section>
    <FillOnPart
      v-if="entry.placed.length > 0"
      v-model:coloured="coloured"
      :entry="entry"
      @add-gate="(gate) => gates.add(gate.at, gate.normal, gate.diameterMm)"
    />
    <DrawSprues v-if="placedCount > 0" :entry="entry" />
    <StandingAdvice :part="entry.part" :state="standing" />
    <WaySearch v-if="!supported" v-model:picking="picking" :part="entry.part" />
    <SaveScaled v-if="scale && !supported" :scale="scale" standing />
  </template>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 18px;
}
.view {
  height: 340px;
}
.on-part {
  margin-bottom: 12px;
}
.axis {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 6px;
  align-items: center;
  margin-bottom: 8px;
}
.axis .v-btn {
  height: 48px;
  min-width: 46px;
  padding: 0 6px;
}
.take {
  height: 48px;
}
@media (max-width: 1180px) {
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
