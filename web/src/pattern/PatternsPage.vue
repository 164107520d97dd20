<script setup lang="ts">
import { emptyPourDoc, type Pattern } from '@zero-pour/contracts';
import { judgePattern } from '@zero-pour/core';
import { computed, defineAsyncComponent } from 'vue';
import { useRouter } from 'vue-router';
import JudgementList from '../components/JudgementList.vue';
import NoteField from '../components/NoteField.vue';
import { useNewPour } from '../pour/useNewPour';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { formatDay } from '../time/formatMoment';
import ItemMenu from '../shop/ItemMenu.vue';
import PatternDrop from './PatternDrop.vue';
import PatternNumbers from './PatternNumbers.vue';

const PartView = defineAsyncComponent(() => import('./PartView.vue'));
const props = defineProps<{ id?: string }>();
const shop = useShop();
const router = useRouter();
const notices = useNotices();
const newPour = useNewPour();

const pattern = computed(() => shop.patterns.find((p) => p.id === props.id) ?? shop.patterns[0]);
const open = (kept: Pattern): void => void router.push(`/patterns/${kept.id}`);

async function change(fields: { name?: string | undefined; note?: string | undefined }): Promise<void> {
  const current = pattern.value;
  if (!current) return;
  const name = (fields.name ?? current.name).trim();
  if (name === '') return;
  await shop
    .changePattern(current.id, { name, note: 'note' in fields ? (fields.note ?? '') : current.note })
    .catch((error: unknown) => notices.wrong(error));
}
function use(): void {
  const current = pattern.value;
  if (!current) return;
  const doc = emptyPourDoc();
  void newPour({ ...doc, brief: { ...doc.brief, patterns: [{ patternId: current.id, count: 1 }] } });
}
</script>

<template>
  <div class="page patterns">
    <ItemMenu
      :items="shop.patterns"
      :shown="pattern?.id"
      title="Patterns of the shop"
      :to="(item) => `/patterns/${item.id}`"
    >
      <template #line="{ item }">{{ formatDay(Date.parse(item.createdAt)) }}</template>
    </ItemMenu>
    <section>
      <div class="page-head">
        <h1>{{ pattern?.name ?? 'Patterns' }}</h1>
        <span v-if="pattern" class="mute"
          >{{ pattern.fileName }} ·
          {{ pattern.measure.triangles.toLocaleString('en-GB').replaceAll(',', ' ') }} triangles</span
        >
        <span class="spacer" />
        <v-btn v-if="pattern" variant="flat" @click="use">Use in a pour</v-btn>
      </div>
      <PatternDrop :compact="shop.patterns.length > 0" @kept="open" />
      <template v-if="pattern">
        <div class="look">
          <PartView :pattern="pattern" class="view" />
          <div>
            <PatternNumbers :pattern="pattern" />
            <div class="fields">
              <NoteField
                :key="`name ${pattern.id}`"
                label="Name"
                :max="120"
                :model-value="pattern.name"
                @update:model-value="(name) => change({ name })"
              />
              <NoteField
                :key="`note ${pattern.id}`"
                label="Note"
                :rows="2"
                :model-value="pattern.note"
                @update:model-value="(note) => change({ note })"
              />
            </div>
          </div>
        </div>
        <JudgementList :judgements="judgePattern(pattern.measure)" />
      </template>
    </section>
  </div>
</template>

<style scoped>
.patterns {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  gap: 26px;
}
.look {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 280px;
  gap: 20px;
  margin-top: 14px;
}
.view {
  height: 460px;
}
.fields {
  display: grid;
  gap: 12px;
  margin-top: 16px;
}
@media (max-width: 1000px) {
  .patterns,
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
