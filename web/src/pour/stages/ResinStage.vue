<script setup lang="ts">
import type { Profile } from '@zero-pour/contracts';
import { judgeProfile, type Judgement, say } from '@zero-pour/core';
import { computed } from 'vue';
import CautionLine from '../../components/CautionLine.vue';
import JudgementList from '../../components/JudgementList.vue';
import ProfileForm from '../../resins/ProfileForm.vue';
import { newProfile } from '../../resins/newProfile';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import StageHead from '../StageHead.vue';

const { pour, plan, set } = usePour();
const shop = useShop();
const notices = useNotices();

const chosen = computed(() => pour.value.doc.resin);
const poured = computed(() => pour.value.used !== undefined);
const resins = computed(() =>
  shop.lists.resin.map((r) => ({ title: `${r.name} (${r.family})`, value: r.id })),
);
const printers = computed(() => shop.lists.printer.map((p) => ({ title: p.name, value: p.id })));
const matching = (resinId: string | undefined, printerId: string | undefined): Profile[] =>
  shop.lists.profile.filter((p) => p.resinId === resinId && p.printerId === printerId);
const profiles = computed(() => matching(chosen.value.resinId, chosen.value.printerId));

/** A profile that no longer matches is let go; the one for this class, if there is one, is taken. */
function choose(field: 'resinId' | 'printerId', id: string): void {
  set(['resin', field], id);
  const next = { ...chosen.value, [field]: id };
  const fitting = matching(next.resinId, next.printerId);
  const best = fitting.find((p) => p.castClass === pour.value.doc.brief.castClass) ?? fitting[0];
  set(['resin', 'profileId'], best?.id);
}

async function addProfile(): Promise<void> {
  const { resin, printer } = plan.value.context;
  if (!resin || !printer) return;
  try {
    const profile = await shop.keepItem(
      'profile',
      newProfile(resin, printer, pour.value.doc.brief.castClass, shop.lists.profile),
    );
    set(['resin', 'profileId'], profile.id);
  } catch (error) {
    notices.wrong(error);
  }
}

const judgements = computed<Judgement[]>(() => {
  const { resin, profile } = plan.value.context;
  const out: Judgement[] = [];
  if (resin && !resin.forBurnout) {
    out.push({
      rule: 'not for burnout',
      weight: 'stop',
      lead: 'Not for burnout.',
      why: say`${resin.name} is a ${resin.family} resin: it leaves residue and cracks the mold. Choose a castable one.`,
    });
  }
  if (profile) out.push(...judgeProfile(profile));
  if (profile && !profile.tested)
    out.push({
      rule: 'untested',
      weight: 'watch',
      lead: 'Untested here.',
      why: say`From ${profile.provenance || 'nowhere that is written down'}. Print a test before a full plate.`,
    });
  if (profile && profile.castClass !== pour.value.doc.brief.castClass) {
    out.push({
      rule: 'class differs',
      weight: 'watch',
      lead: 'Tuned for another class.',
      why: say`The profile is for ${profile.castClass} parts, the brief says ${pour.value.doc.brief.castClass}.`,
    });
  }
  return out;
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
  <v-btn
    v-if="plan.context.resin && plan.context.printer && !poured"
    class="mt-3"
    size="small"
    @click="addProfile"
  >
    New profile for {{ plan.context.resin.name }} on {{ plan.context.printer.name }}
  </v-btn>
  <section v-if="plan.context.profile" class="stage-block">
    <h2>{{ plan.context.profile.name }}</h2>
    <ProfileForm :profile="plan.context.profile" :readonly="poured" />
    <p v-if="poured" class="mute mt-2">
      As it was when this was poured; the shop's profile may have changed since.
    </p>
  </section>
  <JudgementList :judgements="judgements" />
  <CautionLine of="resin" />
</template>
