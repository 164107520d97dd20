<script setup lang="ts">
import type { Profile } from '@zero-pour/contracts';
import type { Judgement } from '@zero-pour/core';
import { judgeProfileAge, nextVersion, firstProfile, USUAL_LAYER_MM } from '@zero-pour/plan';
import { computed } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import JudgementList from '../../components/JudgementList.vue';
import { ProfileFigures, ProfileForm } from '../../resins';
import { itemFrom } from '../../shop';
import { useNotices } from '../../state/notices';
import { usePours } from '../../state/pourStore';
import { useRecords } from '../../state/recordStore';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import { formatDay } from '../../time/formatMoment';
import StageHead from '../StageHead.vue';

const { pour, plan, set } = usePour();
const shop = useShop();
const records = useRecords();
const pours = usePours();
const notices = useNotices();

const chosen = computed(() => pour.value.doc.resin);
const poured = computed(() => pour.value.used !== undefined);
/** Retired things are offered only where they are chosen already. */
const offered = <T extends { id: string; retired: boolean }>(
  list: readonly T[],
  chosenId: string | undefined,
): T[] => list.filter((item) => !item.retired || item.id === chosenId);
const resins = computed(() =>
  offered(shop.lists.resin, chosen.value.resinId).map((r) => ({
    title: `${r.name} (${r.family})`,
    value: r.id,
  })),
);
const printers = computed(() =>
  offered(shop.lists.printer, chosen.value.printerId).map((p) => ({ title: p.name, value: p.id })),
);
const matching = (resinId: string | undefined, printerId: string | undefined): Profile[] =>
  shop.lists.profile.filter(
    (p) =>
      p.resinId === resinId && p.printerId === printerId && (!p.replaced || p.id === chosen.value.profileId),
  );
const profiles = computed(() => matching(chosen.value.resinId, chosen.value.printerId));
const newer = computed(() => shop.lists.profile.find((p) => p.formerId === chosen.value.profileId));

/** A profile that no longer matches is let go; the one for this class, if there is one, is taken. */
function choose(field: 'resinId' | 'printerId', id: string): void {
  set(['resin', field], id);
  const next = { ...chosen.value, [field]: id };
  const fitting = matching(next.resinId, next.printerId).filter((p) => !p.replaced);
  const best = fitting.find((p) => p.castClass === pour.value.doc.brief.castClass) ?? fitting[0];
  set(['resin', 'profileId'], best?.id);
}

async function take(make: () => Promise<Profile>): Promise<void> {
  try {
    set(['resin', 'profileId'], (await make()).id);
  } catch (error) {
    notices.wrong(error);
  }
}
const addProfile = (): Promise<void> =>
  take(async () => {
    const { resin, printer } = plan.value.context;
    if (!resin || !printer) throw new Error('Choose a resin and a printer first.');
    const profile = firstProfile(
      shop.lists,
      records.lists,
      { resin, printer, layerMm: USUAL_LAYER_MM },
      pour.value.doc.brief.castClass,
    );
    return shop.keepItem('profile', itemFrom<'profile'>(profile, shop.lists.profile));
  });

/** A profile that was tested, or that another pour uses, is not changed under it: a change is a new version. */
const ownVersion = computed(() => {
  const { profile } = plan.value.context;
  const shared = pours.open.some((p) => p.id !== pour.value.id && p.doc.resin.profileId === profile?.id);
  return !profile?.tested && !shared;
});
const changeIt = (): Promise<void> =>
  take(async () => {
    const { resin, printer, profile } = plan.value.context;
    if (!resin || !printer || !profile) throw new Error('Choose a profile first.');
    const { exposureS, castClass, layerMm, version } = profile;
    const made = nextVersion({ resin, printer, layerMm }, castClass, profile, {
      exposureS,
      tested: false,
      provenance: `changed by hand from version ${version}`,
      foundAt: new Date().toISOString(),
    });
    return shop.keepItem('profile', itemFrom<'profile'>(made, shop.lists.profile));
  });

const judgements = computed<Judgement[]>(() => {
  const { printer, profile } = plan.value.context;
  const aged =
    profile && !poured.value
      ? judgeProfileAge(profile, printer, shop.lists.profile, (iso) => formatDay(Date.parse(iso)))
      : [];
  return [...plan.value.of('resin').judgements, ...aged];
});
const tuneAt = computed(() => {
  const { resin, profile } = plan.value.context;
  const query = profile
    ? `?printer=${profile.printerId}&layer=${profile.layerMm}&of=${profile.castClass}`
    : '';
  return resin && `/resins/${resin.id}/tune${query}`;
});
</script>

<template>
  <StageHead stage="resin" title="Resin" line="which one, on which printer, at how many seconds" can-leave />
  <div class="form-grid">
    <v-select
      label="Resin"
      :items="resins"
      :model-value="chosen.resinId"
      :readonly="poured"
      no-data-text="No resin yet: add one under Resins."
      @update:model-value="(id) => choose('resinId', id)"
    />
    <v-select
      label="Printer"
      :items="printers"
      :model-value="chosen.printerId"
      :readonly="poured"
      no-data-text="No printer yet: add one under Shop."
      @update:model-value="(id) => choose('printerId', id)"
    />
    <v-select
      label="Profile"
      :items="profiles.map((p) => ({ title: p.name, value: p.id }))"
      :model-value="chosen.profileId"
      :readonly="poured"
      no-data-text="No profile for this resin on this printer yet."
      @update:model-value="(id) => set(['resin', 'profileId'], id)"
    />
  </div>
  <p v-if="resins.length === 0 || printers.length === 0" class="mute mt-3">
    <router-link v-if="resins.length === 0" to="/resins">Add a resin</router-link>
    <template v-if="resins.length === 0 && printers.length === 0"> and </template>
    <router-link v-if="printers.length === 0" to="/shop/printer">add a printer</router-link>
  </p>
  <div v-if="plan.context.resin && plan.context.printer && !poured" class="offers">
    <v-btn v-if="newer" size="small" variant="flat" @click="set(['resin', 'profileId'], newer.id)"
      >Take version {{ newer.version }}</v-btn
    >
    <v-btn size="small" @click="addProfile">
      New profile for {{ plan.context.resin.name }} on {{ plan.context.printer.name }}
    </v-btn>
    <router-link v-if="tuneAt" :to="tuneAt">Find the seconds with coupons</router-link>
  </div>
  <section v-if="plan.context.profile" class="stage-block">
    <h2>{{ plan.context.profile.name }}</h2>
    <p class="mute mb-2">
      {{ plan.context.profile.tested ? 'Tested' : 'Untested' }}:
      {{ plan.context.profile.provenance || 'nothing noted' }}.
    </p>
    <ProfileFigures v-if="poured || !ownVersion" :profile="plan.context.profile" />
    <ProfileForm v-else :profile="plan.context.profile" />
    <p v-if="poured" class="mute mt-2">
      As it was when this was poured; the shop's profile may have changed since.
    </p>
    <p v-else-if="!ownVersion" class="mt-2">
      <v-btn size="small" @click="changeIt">Change it for this pour</v-btn>
      <span class="mute ml-2">makes a new version; other pours keep this one</span>
    </p>
  </section>
  <JudgementList :judgements="judgements" />
  <CautionLine of="resin" />
</template>

<style scoped>
.offers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin-top: 12px;
}
</style>
