<script setup lang="ts">
import { anyPoured, readingValue } from '@zero-pour/contracts';
import { formatQuantity, judgeLots, judgeStock, mixLots } from '@zero-pour/core';
import { valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import JudgementList from '../components/JudgementList.vue';
import QuantityField from '../components/QuantityField.vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { usePour } from '../state/usePour';
import { fillFrom, lotStockG, sharesOf, withMove, withoutMove } from './lotMoves';

/** Which lots the charge of the flask is weighed out of, and that it was. */
const { pour, flask, setInFlask } = usePour();
const records = useRecords();
const shop = useShop();
const units = useUnits();
const notices = useNotices();
void records.load().catch((error: unknown) => notices.wrong(error));

const g = (value: number): string => formatQuantity({ value, unit: 'g', digits: 2 }, units.choice);
const decided = computed(() => flask.value.context.decided);
const chosen = computed(() => decided.value.sprue.lots ?? []);
const charge = computed(() => valueOf(flask.value.charge));
const alloy = computed(() => shop.lists.alloy.find(({ id }) => id === pour.value.doc.brief.alloyId));
const lots = computed(() => records.lists.metalLot);
/** Those of the pour's metal, and whatever was chosen besides. */
const offered = computed(() =>
  lots.value.filter(
    (lot) => lot.alloyId === alloy.value?.id || chosen.value.some(({ key }) => key === lot.id),
  ),
);
const others = computed(() => lots.value.filter((lot) => !offered.value.includes(lot)));
const shares = computed(() => sharesOf(lots.value, chosen.value));
const wantedG = computed(() => readingValue(decided.value.pour.chargeRead) ?? charge.value?.total.value);
const key = computed(() => `${pour.value.id}/${decided.value.key}`);
const judgements = computed(() => {
  if (shares.value.length === 0 || !alloy.value || wantedG.value === undefined) return [];
  const { composition, name } = alloy.value;
  // What this flask has booked already lies there no more.
  const held = shares.value.flatMap(({ lot, massG }) =>
    judgeStock(lot.name, massG, lotStockG(withoutMove(lot, key.value))),
  );
  const judged = judgeLots(mixLots(shares.value), { chargeG: wantedG.value, composition, alloyName: name });
  return [...held, ...judged];
});
const gramsOf = (id: string): number | undefined => chosen.value.find(({ key }) => key === id)?.massG;
function setGrams(id: string, massG: number | undefined): void {
  const rest = chosen.value.filter(({ key }) => key !== id);
  setInFlask('sprue', 'lots', massG === undefined ? rest : [...rest, { key: id, massG }]);
}
function fill(): void {
  if (wantedG.value === undefined) return;
  const percent = decided.value.sprue.newPercent ?? alloy.value?.newPercent ?? shop.settings.newMetalPercent;
  setInFlask('sprue', 'lots', fillFrom(offered.value, wantedG.value, percent));
}

/** Lots that this flask's charge is booked out of. */
const booked = computed(() => lots.value.filter(({ moves }) => moves.some((move) => move.key === key.value)));
/** Whether what is booked is what stands here: neither a lot too few nor one too many. */
const isBooked = computed(
  () =>
    booked.value.length === shares.value.length &&
    shares.value.every(({ lot, massG }) =>
      lot.moves.some((move) => move.key === key.value && Math.abs(move.massG + massG) < 0.006),
    ),
);
async function book(): Promise<void> {
  try {
    for (const { lot, massG } of shares.value)
      await records.add(
        'metalLot',
        withMove(lot, { key: key.value, what: 'poured', massG: -massG, pour: pour.value.number }, new Date()),
      );
    // A lot that was booked and is out of the charge now has its metal back.
    for (const lot of booked.value)
      if (!shares.value.some((share) => share.lot.id === lot.id))
        await records.add('metalLot', withoutMove(lot, key.value));
  } catch (error) {
    notices.wrong(error);
  }
}
</script>

<template>
  <section class="stage-block">
    <h2>Out of which lots</h2>
    <p v-if="lots.length === 0" class="mute">
      No lot of metal is on record. <router-link to="/shop/lots">Add one</router-link> to keep account of it.
    </p>
    <template v-else>
      <p v-if="offered.length === 0" class="mute">No lot is of {{ alloy?.name ?? 'this metal' }}.</p>
      <div v-else class="rows">
        <div v-for="lot in offered" :key="lot.id" class="row" role="group" :aria-label="lot.name">
          <span
            >{{ lot.name }}
            <span class="mute"
              >{{ lot.melts === 0 ? 'new' : `molten ${lot.melts} ×` }}, {{ g(lotStockG(lot)) }} there</span
            ></span
          >
          <QuantityField
            label="Out of it"
            unit="g"
            :digits="2"
            :min="0"
            :max="100000"
            :model-value="gramsOf(lot.id)"
            @update:model-value="(massG) => setGrams(lot.id, massG)"
          />
        </div>
      </div>
      <div class="acts">
        <v-btn size="small" :disabled="wantedG === undefined || offered.length === 0" @click="fill"
          >Fill the charge from these</v-btn
        >
        <v-menu v-if="others.length > 0" max-height="360">
          <template #activator="{ props: activator }"
            ><v-btn v-bind="activator" size="small">Another metal</v-btn></template
          >
          <v-list aria-label="Lots of other metals">
            <v-list-item v-for="lot in others" :key="lot.id" :title="lot.name" @click="setGrams(lot.id, 0)" />
          </v-list>
        </v-menu>
        <template v-if="anyPoured(pour.doc) && shares.length + booked.length > 0">
          <v-btn v-if="!isBooked" size="small" variant="flat" @click="book">Book it out of the lots</v-btn>
          <span v-else class="mute" role="status">Booked out of {{ booked.length }} lots.</span>
        </template>
      </div>
      <JudgementList :judgements="judgements" />
    </template>
  </section>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 8px;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 12px;
  align-items: center;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
  margin-top: 10px;
}
</style>
