<script setup lang="ts">
import type { Mold, MoldTest } from '@zero-pour/contracts';
import { TEST_RESULTS } from '@zero-pour/core';
import type { MoldPlan } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import JudgementList from '../components/JudgementList.vue';
import NoteField from '../components/NoteField.vue';
import PickRow from '../components/PickRow.vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { clockTime } from '../time/shopClock';

/** What a master needs before it is worth molding, and how its material took to the resin on scraps. */
const props = defineProps<{ mold: Mold; plan: MoldPlan }>();
const emit = defineEmits<{ change: [fields: Partial<Mold>] }>();
const records = useRecords();
const notices = useNotices();

const POINTS = [
  { key: 'sprued', name: 'Sprue on it' },
  { key: 'sanded', name: 'Layer lines sanded' },
  { key: 'cured', name: 'Cured through' },
] as const;
const ANSWERS = [
  { key: 'yes', name: 'yes' },
  { key: 'no', name: 'no' },
] as const;
const answerOf = (value: boolean | undefined): 'yes' | 'no' | undefined =>
  value === undefined ? undefined : value ? 'yes' : 'no';
function answer(key: (typeof POINTS)[number]['key'], word: 'yes' | 'no'): void {
  const { [key]: before, ...others } = props.mold.master;
  // The same press again: nobody has said.
  const value = word === 'yes';
  emit('change', { master: before === value ? others : { ...others, [key]: value } });
}

const kind = computed(() => (props.mold.kind === 'silicone' ? 'silicone' : 'rubber'));
const tests = computed(() =>
  records.lists.moldTest
    .filter((test) => test.resinId === props.mold.resinId && test.kind === kind.value)
    .sort((a, b) => b.at.localeCompare(a.at)),
);
const product = shallowRef('');
const coat = shallowRef('');
const wrong = (error: unknown): void => notices.wrong(error);
async function note(result: MoldTest['result']): Promise<void> {
  if (!props.mold.resinId) return;
  const test: MoldTest = {
    id: crypto.randomUUID(),
    resinId: props.mold.resinId,
    kind: kind.value,
    product: product.value,
    coat: coat.value,
    result,
    at: new Date().toISOString(),
    note: '',
  };
  await records.add('moldTest', test).catch(wrong);
}
</script>

<template>
  <section class="stage-block">
    <h2>The master</h2>
    <div class="points">
      <div v-for="point in POINTS" :key="point.key" class="point">
        <span>{{ point.name }}</span>
        <PickRow
          :label="point.name"
          :things="ANSWERS"
          :picked="answerOf(mold.master[point.key])"
          @pick="(word) => answer(point.key, word)"
        />
      </div>
    </div>
    <JudgementList :judgements="plan.master" />
    <h3 class="mt-4">How {{ kind }} took to this resin, on scraps</h3>
    <p v-if="!mold.resinId" class="mute">Choose the master’s resin first.</p>
    <template v-else>
      <table v-if="tests.length > 0" class="plain" :aria-label="`Tests of ${kind}`">
        <tbody>
          <tr v-for="one in tests" :key="one.id">
            <td class="num">{{ clockTime(Date.parse(one.at), 'd MMM yyyy') }}</td>
            <td>{{ one.product || kind }}</td>
            <td>{{ one.coat ? `under ${one.coat}` : 'bare' }}</td>
            <td>
              <b>{{ one.result }}</b>
            </td>
            <td>
              <button
                type="button"
                class="text-button"
                @click="records.remove('moldTest', one.id).catch(wrong)"
              >
                Take away
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="mute">Nothing tried yet.</p>
      <div class="form-grid mt-2">
        <NoteField
          :label="kind === 'silicone' ? 'Silicone' : 'Rubber'"
          :max="120"
          :model-value="product"
          @update:model-value="(text) => (product = text ?? '')"
        />
        <NoteField
          label="Barrier coat"
          :max="120"
          :model-value="coat"
          @update:model-value="(text) => (coat = text ?? '')"
        />
      </div>
      <div class="acts mt-2">
        <span class="mute">It came off</span>
        <v-btn v-for="result in TEST_RESULTS" :key="result" size="small" @click="note(result)">{{
          result
        }}</v-btn>
      </div>
    </template>
  </section>
</template>

<style scoped>
.points {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
}
.point {
  display: flex;
  align-items: center;
  gap: 10px;
}
h3 {
  font-size: 15px;
  font-weight: 650;
}
.acts {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
