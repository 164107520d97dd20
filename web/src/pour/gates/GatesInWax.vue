<script setup lang="ts">
import { nameOfPart, valueOf } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import PickRow from '../../components/PickRow.vue';
import { PartView, type ViewShape } from '../../pattern';
import { usePour } from '../../state/usePour';
import GateMarks from './GateMarks.vue';
import GatesOnPart from './GatesOnPart.vue';
import { useGates, type Picked } from './useGates';

/** Gates as they are joined in wax after cleaning: the same as at Way up, where the part is at hand. */
const { plan, flask } = usePour();
const picked = shallowRef('');
const entry = computed(
  () => plan.value.gates.find(({ part }) => part.key === picked.value) ?? plan.value.gates[0],
);
const placing = shallowRef(false);
const hidden = shallowRef(false);
const loaded = shallowRef<{ id: string; shape: ViewShape }>();
const shape = computed(() =>
  loaded.value?.id === entry.value?.part.pattern.id ? loaded.value?.shape : undefined,
);
const gates = useGates(() => entry.value);
function press(at: Picked | null): void {
  if (placing.value && at && shape.value) gates.press(at, shape.value);
}
/** What stays in the part as its first pieces hang in the shown flask. */
const held = computed(() => {
  const airs = valueOf(flask.value.tree)?.hung?.airs ?? [];
  const own = airs.find(({ pieces }) =>
    pieces.some((piece) => piece.startsWith(`${entry.value?.part.key}/`)),
  );
  const now = own?.answer?.now;
  return [
    ...(now?.pockets ?? []).map(({ at }) => ({ at, word: 'air' })),
    ...(now?.spots ?? []).map(({ at, kind }) => ({ at, word: kind === 'tip' ? 'crumb' : 'bubble' })),
  ];
});
const judgements = computed(() =>
  (entry.value?.judgements ?? []).filter((one) => !entry.value!.fill.judgements.includes(one)),
);
</script>

<template>
  <template v-if="entry">
    <PickRow
      v-if="plan.gates.length > 1"
      label="Pattern"
      :things="plan.gates.map(({ part }) => ({ key: part.key, name: nameOfPart(part, plan.context.parts) }))"
      :picked="entry.part.key"
      @pick="(key) => (picked = key)"
    />
    <PartView
      :pattern="entry.part.pattern"
      class="view"
      @shape="(now, { id }) => (loaded = { id, shape: now })"
      @pick="press"
    >
      <template #default="over">
        <GateMarks
          :gates="entry.placed"
          :movable="gates.placed.value.length"
          :feed="entry.feed"
          :held="held"
          :last-filled="entry.fill.reading?.last"
          v-bind="over"
          @move="(n, to) => ((hidden = false), shape && gates.move(n, to, shape))"
          @hidden="hidden = true"
        />
      </template>
    </PartView>
    <p v-if="hidden" role="alert">
      That gate does not face you, or its way leads off the part: turn the part, then move it.
    </p>
    <GatesOnPart v-model:placing="placing" :entry="entry" class="mt-3" />
    <JudgementList :judgements="judgements" />
  </template>
</template>

<style scoped>
.view {
  height: 320px;
}
</style>
