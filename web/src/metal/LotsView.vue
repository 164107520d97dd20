<script setup lang="ts">
import { LOT_ORIGINS, type MetalLot } from '@zero-pour/contracts';
import { finenessOf, formatQuantity } from '@zero-pour/core';
import { computed, shallowRef } from 'vue';
import NoteField from '../components/NoteField.vue';
import QuantityField from '../components/QuantityField.vue';
import { said } from '../components/said';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { clockTime } from '../time/shopClock';
import AlloyingSum from './AlloyingSum.vue';
import { lotStockG, newLot, withMove, withoutMove } from './lotMoves';

/** The shop's lots of metal: what each should weigh, and every move that makes it so. */
const props = defineProps<{ id?: string | undefined }>();
const records = useRecords();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
void records.load().catch((error: unknown) => notices.wrong(error));

const g = (value: number): string => formatQuantity({ value, unit: 'g', digits: 2 }, units.choice);
const lots = computed(() => [...records.lists.metalLot].sort((a, b) => a.name.localeCompare(b.name)));
const lot = computed(() => lots.value.find(({ id }) => id === props.id) ?? lots.value[0]);
const keep = (changed: MetalLot): void =>
  void records.keepTyped('metalLot', changed).catch((error: unknown) => notices.wrong(error));
function change(fields: Partial<MetalLot>): void {
  if (!lot.value) return;
  const changed = { ...lot.value, ...fields };
  records.take('metalLot', changed);
  keep(changed);
}
async function add(alloyId: string): Promise<void> {
  const alloy = shop.lists.alloy.find(({ id }) => id === alloyId);
  if (alloy) await records.add('metalLot', newLot(alloy)).catch((error: unknown) => notices.wrong(error));
}
function remove(gone: MetalLot): void {
  void records.remove('metalLot', gone.id).catch((error: unknown) => notices.wrong(error));
  notices.tell(`${gone.name} is taken out.`, {
    label: 'Undo',
    run: () => void records.add('metalLot', gone).catch((error: unknown) => notices.wrong(error)),
  });
}

const alloyName = ({ alloyId }: MetalLot): string =>
  shop.lists.alloy.find(({ id }) => id === alloyId)?.name ?? 'no alloy on record';
const fineness = computed(() => {
  const found = lot.value && finenessOf(lot.value.composition);
  return found ? `${found.of} ${found.permille.toFixed(1)} of a thousand` : '';
});
/** A move by hand, in or out. */
const HAND_MOVES = ['bought', 'sold or refined', 'weighed anew'] as const;
const what = shallowRef<(typeof HAND_MOVES)[number]>('bought');
const massG = shallowRef<number>();
function book(): void {
  if (!lot.value || massG.value === undefined) return;
  const stock = lotStockG(lot.value);
  // A new weighing books what it differs by.
  const moved = { bought: massG.value, 'sold or refined': -massG.value, 'weighed anew': massG.value - stock }[
    what.value
  ];
  change(withMove(lot.value, { what: what.value, massG: moved }, new Date()));
  massG.value = undefined;
}
const rows = computed(() => [...(lot.value?.moves ?? [])].sort((a, b) => b.at.localeCompare(a.at)));
</script>

<template>
  <div class="lots">
    <section>
      <div class="page-head">
        <h1>Metal lots</h1>
        <span class="spacer" />
        <router-link v-if="shop.lists.alloy.length === 0" to="/shop/alloy">Add a metal first</router-link>
        <v-menu v-else max-height="420">
          <template #activator="{ props: activator }"
            ><v-btn v-bind="activator" size="small">Add a lot</v-btn></template
          >
          <v-list aria-label="Add a lot of a metal">
            <v-list-item
              v-for="alloy in shop.lists.alloy"
              :key="alloy.id"
              :title="alloy.name"
              @click="add(alloy.id)"
            />
          </v-list>
        </v-menu>
      </div>
      <p v-if="lots.length === 0" class="mute">
        No lot yet. A lot is metal that lies together: new grain, buttons that came back, scrap. Its weight is
        the sum of all that went in and out.
      </p>
      <table v-else class="plain">
        <thead>
          <tr>
            <th>Lot</th>
            <th>Metal</th>
            <th class="num">Molten</th>
            <th class="num">Should weigh</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in lots" :key="one.id" :class="{ on: one.id === lot?.id }">
            <td>
              <router-link :to="`/shop/lots/${one.id}`">{{ one.name }}</router-link>
            </td>
            <td>{{ alloyName(one) }}</td>
            <td class="num">{{ one.melts === 0 ? 'new' : `${one.melts} ×` }}</td>
            <td class="num" :class="{ under: lotStockG(one) < 0 }">{{ g(lotStockG(one)) }}</td>
          </tr>
        </tbody>
      </table>
      <AlloyingSum v-if="lots.length > 0" :lots="lots" class="stage-block" />
    </section>
    <section v-if="lot" :aria-label="`Lot ${lot.name}`">
      <div class="page-head">
        <h1>{{ lot.name }}</h1>
        <span class="spacer" />
        <button type="button" class="text-button" @click="remove(lot)">Take it out</button>
      </div>
      <p class="mb-3">
        {{ alloyName(lot) }}{{ fineness ? `, ${fineness}` : '' }}. It should weigh
        <b class="num">{{ g(lotStockG(lot)) }}</b>.
      </p>
      <p v-if="lotStockG(lot) < 0" class="tone fix mb-3">
        <b>More went out than in.</b> Weigh it, and book “weighed anew”.
      </p>
      <div class="form-grid">
        <NoteField
          label="Name"
          :max="120"
          :model-value="lot.name"
          @update:model-value="(name) => name && change({ name })"
        />
        <v-select
          label="Where it came from"
          :items="[...LOT_ORIGINS]"
          :model-value="lot.origin"
          @update:model-value="(origin) => change({ origin })"
        />
        <QuantityField
          v-bind="said('metalLot', 'melts')"
          required
          :model-value="lot.melts"
          @update:model-value="(n) => n !== undefined && change({ melts: Math.round(n) })"
        />
      </div>
      <div class="form-grid mt-3">
        <v-select v-model="what" label="Book" :items="[...HAND_MOVES]" />
        <QuantityField v-model="massG" label="Grams" unit="g" :digits="2" :min="0" :max="1000000" />
        <v-btn class="book" :disabled="massG === undefined" @click="book">Book it</v-btn>
      </div>
      <table v-if="rows.length > 0" class="plain mt-3" aria-label="Moves of the lot">
        <tbody>
          <tr v-for="row in rows" :key="row.key">
            <td class="num">{{ clockTime(Date.parse(row.at), 'd MMM yyyy') }}</td>
            <td>{{ row.what }}{{ row.pour ? `, pour ${row.pour}` : '' }}</td>
            <td class="num">{{ row.massG > 0 ? '+' : '' }}{{ g(row.massG) }}</td>
            <td>
              <button type="button" class="text-button" @click="change(withoutMove(lot, row.key))">
                Take away
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="mute mt-3">Nothing in it yet: book what was bought, or what it weighs.</p>
    </section>
  </div>
</template>

<style scoped>
.lots {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 32px;
  align-items: start;
}
.on td {
  background: var(--paper);
}
.under {
  color: var(--oxide);
  font-weight: 650;
}
.book {
  height: 48px;
}
th.num,
td.num {
  text-align: right;
}
@media (max-width: 1000px) {
  .lots {
    grid-template-columns: 1fr;
  }
}
</style>
