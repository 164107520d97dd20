<script setup lang="ts">
import { wantedMm } from '@zero-pour/contracts';
import { formatPhrase, formatQuantity, type Unit } from '@zero-pour/core';
import { castPieces, handOverRefusals, resinCautions, valueOf } from '@zero-pour/plan';
import { computed } from 'vue';
import CodePicture from '../components/CodePicture.vue';
import PaperPage from '../components/PaperPage.vue';
import { useScanAddress } from '../network';
import { useShop } from '../state/shopStore';
import { providePour } from '../state/usePour';
import { useUnits } from '../state/unitStore';
import { formatDay } from '../time/formatMoment';

/** What goes to a casting house with the prints or trees: what to cast, in what, how, and what to send back. */
const props = defineProps<{ id: string }>();
const { pour, plan } = providePour(() => props.id);
const shop = useShop();
const units = useUnits();
const { addressOf } = useScanAddress();

const context = computed(() => plan.value.context);
const house = computed(() =>
  shop.settings.houses?.find(({ key }) => key === pour.value.doc.burnout.houseKey),
);
const refusals = computed(() => (house.value ? handOverRefusals(context.value, house.value) : []));
const show = (value: number, unit: Unit, digits = 1): string =>
  formatQuantity({ value, unit, digits }, units.choice);
const lines = computed(() => {
  const pieces = castPieces(context.value);
  return context.value.parts.map(({ key, pattern }) => {
    const { gates } = pour.value.doc.wayUp.lines[key] ?? {};
    return {
      key,
      name: pattern.name,
      count: pieces.filter(({ line }) => line === key).length,
      size: pattern.measure.sizeMm.map((mm) => show(mm, 'mm')).join(' × '),
      gates: gates ? `${gates.count} × Ø ${show(gates.diameterMm, 'mm')}` : 'not told: as you see fit',
    };
  });
});
const sizes = computed(() => pour.value.doc.brief.sizes);
const scale = computed(() => valueOf(plan.value.scale)?.percent.value);
const heat = computed(() => valueOf(plan.value.flasks[0]!.temperatures));
const back = [
  'the castings, not tumbled',
  'button and sprues',
  'flask and metal temperature, as read',
  'what came out, and what did not',
];
</script>

<template>
  <PaperPage :back="`/pours/${id}/burnout`" back-words="Back to the pour">
    <header>
      <div>
        <h1>To cast: pour {{ pour.number }}</h1>
        <p>
          {{ house ? `For ${house.name}` : 'No casting house is chosen at Burnout' }} · from
          {{ shop.settings.shopName || '____________' }}
        </p>
      </div>
      <CodePicture
        :text="addressOf(`/p/${pour.number}`)"
        :label="`Code that opens pour ${pour.number}`"
        class="code"
      />
    </header>
    <p v-for="(refusal, i) in refusals" :key="i" class="tone stop" role="alert">
      <b>Not to be sent as it is.</b> {{ formatPhrase(refusal, units.choice) }}
    </p>
    <h2>What</h2>
    <table>
      <thead>
        <tr>
          <th>Piece</th>
          <th class="right">Castings</th>
          <th>Size of the pattern</th>
          <th>Gates</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.key">
          <td>{{ line.name }}</td>
          <td class="right num">{{ line.count }}</td>
          <td class="num">{{ line.size }}</td>
          <td>{{ line.gates }}</td>
        </tr>
      </tbody>
    </table>
    <dl>
      <dt>Metal</dt>
      <dd>{{ context.alloy?.name ?? 'not chosen' }}</dd>
      <dt>Printed in</dt>
      <dd>{{ context.resin?.name ?? 'not told' }}</dd>
      <dt>Scale already in them</dt>
      <dd class="num">{{ scale === undefined ? 'not known' : `${scale.toFixed(2)} %` }}</dd>
      <dt>Sizes wanted, finished</dt>
      <dd>
        {{
          sizes.length === 0
            ? 'none told'
            : sizes.map((size) => `${size.name || size.of} ${show(wantedMm(size), 'mm', 2)}`).join(', ')
        }}
      </dd>
      <template v-if="house">
        <dt>Sprued by</dt>
        <dd>
          {{ house.sprues === undefined ? 'not agreed' : house.sprues === 'house' ? house.name : 'us' }}
        </dd>
        <dt>Shrinkage, as {{ house.name }} says</dt>
        <dd class="num">
          {{ house.shrinkPercent === undefined ? 'not told' : show(house.shrinkPercent, 'percent', 2) }}
        </dd>
        <dt>Agreed price</dt>
        <dd class="num">
          {{
            house.pricePerPiece === undefined
              ? 'not told'
              : `${house.pricePerPiece} ${shop.settings.currency} a casting`
          }}
        </dd>
      </template>
      <dt>Flask and metal, as we would</dt>
      <dd class="num">
        {{
          heat
            ? `${show(heat.flaskC, 'degC', 0)} / ${show(heat.metalC, 'degC', 0)}`
            : 'as you cast this metal'
        }}
      </dd>
      <dt>Wanted back</dt>
      <dd>{{ pour.doc.brief.dueAt ? formatDay(Date.parse(pour.doc.brief.dueAt)) : 'no day told' }}</dd>
    </dl>
    <h2>Take care</h2>
    <ul>
      <li v-for="caution in resinCautions(context)" :key="caution">{{ caution }}</li>
      <li v-if="!context.resin">Which resin it is was not told: ask before you burn it out.</li>
      <li>Fumes of burnout are led outside; plaster dust is not breathed. Your own rules come first.</li>
    </ul>
    <h2>Please send back</h2>
    <ul class="boxes">
      <li v-for="one in back" :key="one"><i class="box" />{{ one }}</li>
    </ul>
    <p class="sign">Handed over ____________ Received ____________ Back ____________</p>
  </PaperPage>
</template>

<style scoped>
header {
  flex-wrap: nowrap;
}
.code {
  width: 96px;
}
.right {
  text-align: right;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.boxes {
  list-style: none;
  padding: 0;
  columns: 2;
}
.sign {
  margin-top: 22px;
}
.tone {
  color: var(--tone);
  margin-top: 8px;
}
</style>
