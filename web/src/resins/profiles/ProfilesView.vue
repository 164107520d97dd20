<script setup lang="ts">
import type { Printer, Profile, Resin } from '@zero-pour/contracts';
import { formatQuantity, judgeProfile, type CastClass } from '@zero-pour/core';
import { firstProfile, judgeProfileAge, USUAL_LAYER_MM } from '@zero-pour/plan';
import { computed } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import { HistoryList, itemFrom, OtherwiseThan } from '../../shop';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { formatDay } from '../../time/formatMoment';
import ProfileForm from './ProfileForm.vue';

/** Seconds and layers by printer, layer height and class: what pours use, each with where it comes from. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const units = useUnits();

const own = computed(() => shop.lists.profile.filter((p) => p.resinId === props.resin.id));
const standing = computed(() => own.value.filter((p) => !p.replaced));
const formers = (profile: Profile): Profile[] => {
  const former = own.value.find((p) => p.id === profile.formerId);
  return former ? [former, ...formers(former)] : [];
};
const printerOf = (id: string): Printer | undefined => shop.lists.printer.find((p) => p.id === id);
const mm = (value: number): string => formatQuantity({ value, unit: 'mm', digits: 3 }, units.choice);
const day = (iso: string): string => formatDay(Date.parse(iso));
const judgements = (profile: Profile) => [
  ...judgeProfile(profile),
  ...judgeProfileAge(profile, printerOf(profile.printerId), shop.lists.profile, day),
];

async function run(act: () => Promise<unknown>): Promise<void> {
  await act().catch((error: unknown) => notices.wrong(error));
}
const add = (printer: Printer, castClass: CastClass = 'standard'): Promise<void> =>
  run(() =>
    shop.keepItem(
      'profile',
      itemFrom<'profile'>(
        firstProfile(
          shop.lists,
          records.lists,
          { resin: props.resin, printer, layerMm: USUAL_LAYER_MM },
          castClass,
        ),
        shop.lists.profile,
      ),
    ),
  );
/** Another like it, untried, to be changed: what differs is told beside it from then on. */
const again = ({ id, ...fields }: Profile): Promise<void> =>
  run(() =>
    shop.keepItem(
      'profile',
      itemFrom<'profile'>(
        {
          ...fields,
          againOfId: id,
          formerId: null,
          replaced: false,
          version: 1,
          tested: false,
          foundAt: null,
          provenance: `as ${fields.name}`.slice(0, 200),
        },
        shop.lists.profile,
      ),
    ),
  );
const remove = (profile: Profile): Promise<void> =>
  run(async () => {
    await shop.removeItem('profile', profile.id);
    notices.tell(`${profile.name} is taken out.`, {
      label: 'Undo',
      run: () => void run(() => shop.keepItem('profile', profile)),
    });
  });
</script>

<template>
  <details v-for="profile in standing" :key="profile.id" class="profile">
    <summary>
      <span class="name">{{ printerOf(profile.printerId)?.name }} · {{ profile.castClass }}</span>
      <span class="num">{{ mm(profile.layerMm) }}</span>
      <span class="num"
        ><b>{{ profile.exposureS }} s</b></span
      >
      <span class="num">base {{ profile.baseExposureS }} s × {{ profile.baseLayers }}</span>
      <span :class="profile.tested ? 'tested' : 'untested'">
        {{ profile.tested ? 'tested' : 'untested' }}: {{ profile.provenance || 'nothing noted' }} · version
        {{ profile.version }}
      </span>
    </summary>
    <JudgementList :judgements="judgements(profile)" />
    <OtherwiseThan kind="profile" :item="profile" />
    <ProfileForm class="mt-3" :profile="profile" />
    <p v-for="former in formers(profile)" :key="former.id" class="mute former">
      Version {{ former.version }}: {{ former.exposureS }} s, {{ former.provenance || 'nothing noted'
      }}{{ former.foundAt ? `, ${day(former.foundAt)}` : '' }}. Pours that used it keep it.
    </p>
    <HistoryList kind="profile" :item="profile" />
    <p class="acts">
      <button type="button" class="text-button" @click="again(profile)">Same again, but …</button>
      <button type="button" class="text-button" @click="remove(profile)">Take this profile out</button>
    </p>
  </details>
  <p v-if="standing.length === 0" class="mute">
    None yet. Tune finds one in a few coupons; or write one down for a printer.
  </p>
  <div class="add">
    <v-btn
      v-for="printer in shop.lists.printer.filter((p) => !p.retired)"
      :key="printer.id"
      size="small"
      @click="add(printer)"
    >
      Write one down for {{ printer.name }}
    </v-btn>
    <router-link v-if="shop.lists.printer.length === 0" to="/shop/printer">Add a printer first</router-link>
  </div>
</template>

<style scoped>
.profile {
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
summary {
  display: grid;
  grid-template-columns: 190px 90px 70px 150px minmax(0, 1fr);
  gap: 10px;
  padding: 7px 0;
  cursor: pointer;
  align-items: baseline;
}
summary .name {
  text-decoration: underline;
  text-decoration-color: var(--line2);
  text-underline-offset: 4px;
}
.profile[open] {
  padding-bottom: 14px;
}
.tested {
  color: var(--verd-text);
}
.untested {
  color: var(--amber-text);
}
.former {
  margin-top: 8px;
  font-size: 14px;
}
.acts {
  display: flex;
  gap: 16px;
  margin-top: 8px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
@media (max-width: 1000px) {
  summary {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
