<script setup lang="ts">
import { CAST_CLASSES, SCRAP_ROLES, SHEET_KINDS, type ScrapRole } from '@zero-pour/core';
import { useFileDialog } from '@vueuse/core';
import { computed, shallowRef, useTemplateRef } from 'vue';
import ChoiceRow from '../components/ChoiceRow.vue';
import { sentenceOf } from '../api/request';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import NamesTable from './NamesTable.vue';
import RoleSelect from './RoleSelect.vue';
import ScrapGrid from './ScrapGrid.vue';
import { readPhotos } from './scrapPhotos';
import { scrapTotals, scrapWords } from './scrapWords';
import SheetTake from './SheetTake.vue';
import TakenBatches from './TakenBatches.vue';
import { useScraps } from './useScraps';
import { useTableFile } from './useTableFile';

const shop = useShop();
const units = useUnits();
const notices = useNotices();
const scraps = useScraps();
const { grid, columns, headings, pours } = scraps;
const KINDS = ['pours', ...SHEET_KINDS] as const;
const kind = shallowRef<(typeof KINDS)[number]>('pours');
const taking = shallowRef(false);

/** Dropped anywhere on the page; sheets that are no pours have a place of their own. */
const page = useTemplateRef<HTMLElement>('drop');
const drop = computed(() => (kind.value === 'pours' ? page.value : null));
const { trouble, open, isOver } = useTableFile(drop, scraps.open);
const { open: openPhotos, onChange: onPhotos } = useFileDialog({
  accept: '.zip,image/*',
  multiple: true,
  reset: true,
});
onPhotos(async (files) => {
  try {
    scraps.photos.value = new Map([...scraps.photos.value, ...(await readPhotos([...(files ?? [])]))]);
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
});
const ROLES = (Object.keys(SCRAP_ROLES) as ScrapRole[]).map((role) => ({
  title: SCRAP_ROLES[role],
  value: role,
}));
const setRole = (column: number, role: string): void => scraps.setRole(column, role as ScrapRole);
const totals = computed(() => scrapTotals(pours.value));
const saysOf = (row: number): { text: string; wrong: boolean } => {
  const cells = grid.rows.value[row];
  if (!cells || cells.every((cell) => cell === '')) return { text: '', wrong: false };
  return scrapWords(scraps.all.value[row]!, units.choice);
};
/** What has to be said before anything is taken in. */
const wants = computed(() => [
  ...columns.value.flatMap(
    ({ role, told, order }, i) =>
    told || pours.value.length === 0
      ? []
      : [role === 'day' ? `Whether ${headings.value[i]} has the ${order === 'day first' ? 'day or the month' : 'month or the day'} first` : `Whether ${headings.value[i]} is in °C or °F`], // prettier-ignore
  ),
  ...(scraps.castClass.value === undefined ? ['Which class these pieces are of'] : []),
]);

async function take(): Promise<void> {
  taking.value = true;
  trouble.value = '';
  try {
    const batch = await scraps.take();
    notices.tell(`${batch.pours} pours are in the record now.`);
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    taking.value = false;
  }
}
</script>

<template>
  <div ref="drop" :class="['page', { over: isOver }]">
    <div class="page-head">
      <h1>Old records</h1>
      <span class="mute">Off paper, a notebook or a spreadsheet: what is known of each, holes allowed</span>
      <span class="spacer" />
      <template v-if="kind === 'pours'">
        <v-btn @click="open()">Open a table (CSV)</v-btn>
        <v-btn v-if="pours.length > 0" @click="scraps.begin()">Begin anew</v-btn>
      </template>
    </div>
    <ChoiceRow
      label="What these records are of"
      :options="KINDS"
      :model-value="kind"
      class="mb-3"
      @choose="(one) => (kind = one)"
    />
    <p class="mute mb-3">
      Type, paste cells out of a spreadsheet, or drop a file here. Arrows move, <kbd>Ctrl D</kbd> fills down,
      <kbd>Ctrl Z</kbd> takes back. Each row says what it becomes; nothing is taken in before you press.
    </p>
    <p v-if="trouble" class="tone stop mb-3" role="alert">{{ trouble }}</p>
    <SheetTake v-if="kind !== 'pours'" :kind="kind" />
    <ScrapGrid v-else :grid="grid" :headings="headings" :says="saysOf">
      <template #column="{ column }">
        <RoleSelect
          :label="`${headings[column]} is`"
          :roles="ROLES"
          :role="columns[column]?.role"
          @choose="(role) => setRole(column, role)"
        />
        <ChoiceRow
          v-if="columns[column]?.unit"
          :label="`Unit of ${headings[column]}`"
          :options="['C', 'F']"
          :model-value="columns[column]?.told ? columns[column]?.unit : undefined"
          class="small"
          @choose="(unit) => scraps.setColumn(column, { unit })"
        />
        <ChoiceRow
          v-else-if="columns[column]?.order"
          :label="`Order of ${headings[column]}`"
          :options="['day first', 'month first']"
          :model-value="columns[column]?.told ? columns[column]?.order : undefined"
          class="small"
          @choose="(order) => scraps.setColumn(column, { order })"
        />
      </template>
    </ScrapGrid>

    <template v-if="kind === 'pours' && pours.length > 0">
      <section v-if="scraps.names.value.length > 0" class="stage-block">
        <h2>What the names are</h2>
        <NamesTable
          :names="scraps.names.value"
          :things="{ metal: shop.lists.alloy, resin: shop.lists.resin, what: scraps.patterns.value }"
          :book="scraps.book.value"
          @choose="scraps.choose"
        />
      </section>
      <section class="stage-block">
        <h2>Which class</h2>
        <p class="mute mb-3">
          Yields are counted by class, and old records seldom say it: all of these are taken to be of
        </p>
        <ChoiceRow
          label="Class of these pieces"
          :options="CAST_CLASSES"
          :model-value="scraps.castClass.value"
          @choose="(one) => (scraps.castClass.value = one)"
        />
      </section>
      <section v-if="scraps.pictured.value.named > 0" class="stage-block">
        <h2>Their photos</h2>
        <p class="mute mb-3" role="status">
          {{ scraps.pictured.value.here }} of {{ scraps.pictured.value.named }} photos that rows name are
          here; the others are left out.
        </p>
        <v-btn @click="openPhotos()">Add photos, or a zip of them</v-btn>
      </section>
      <section class="take" aria-label="Take in">
        <p role="status">
          <b class="num">{{ totals.pours }}</b> {{ totals.pours === 1 ? 'pour' : 'pours' }},
          <b class="num">{{ totals.castings }}</b> castings, <b class="num">{{ totals.sellable }}</b> of them
          sellable.
          <template v-if="totals.uncounted > 0"
            ><span class="num">{{ totals.uncounted }}</span> without a count count in nothing but the
            list.</template
          >
          <template v-if="totals.dayless > 0">
            <span class="num">{{ totals.dayless }}</span> have no day.</template
          >
          <template v-if="totals.unread > 0">
            <span class="num">{{ totals.unread }}</span> have a cell that is not read: it is kept as a
            note.</template
          >
        </p>
        <p v-if="wants.length > 0" class="tone fix">Not told yet: {{ wants.join('; ') }}.</p>
        <v-btn variant="flat" size="large" :disabled="wants.length > 0" :loading="taking" @click="take">
          Take {{ totals.pours }} in
        </v-btn>
        <span class="mute">They can be taken back whole.</span>
      </section>
    </template>
    <TakenBatches />
  </div>
</template>

<style scoped>
.over {
  outline: 3px dashed var(--wax);
  outline-offset: -8px;
}
.small :deep(button) {
  min-height: 30px;
  padding: 0 8px;
  font-size: 13px;
}
.take {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
  margin-top: 14px;
}
.take p {
  width: 100%;
}
.tone {
  color: var(--tone);
}
</style>
