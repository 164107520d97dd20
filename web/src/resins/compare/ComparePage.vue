<script setup lang="ts">
import { isWholePattern } from '@zero-pour/contracts';
import { comparePlate, decidingNumber, raftAreaMm2, shadowOf, type PlateJob } from '@zero-pour/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, onMounted, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import PickRow from '../../components/PickRow.vue';
import QuantityField from '../../components/QuantityField.vue';
import { useNotices } from '../../state/notices';
import { usePours } from '../../state/pourStore';
import { usePrints } from '../../state/printStore';
import { useRecords } from '../../state/recordStore';
import { usePlanningShop } from '../../state/planningStore';
import { useNamedPatterns } from '../../state/useNamedPatterns';
import { useShop } from '../../state/shopStore';
import { useUnits } from '../../state/unitStore';
import { burnoutFor, burnoutWith, comparable, plateChoice, planPour, valueOf } from '@zero-pour/plan';
import CompareChart from './CompareChart.vue';
import { compareLines } from './compareLines';
import { decisionWords } from './decides';

/** Resins, printers or layer heights for one plate, side by side, and the number that decides. */
const planning = usePlanningShop();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const prints = usePrints();
const pours = usePours();
const route = useRoute();
const router = useRouter();
watch(
  () => route.query['pour'],
  (id) => {
    if (typeof id === 'string' && !pours.pours.has(id)) pours.load(id).catch(notices.wrong);
  },
  { immediate: true },
);
const units = useUnits();
onMounted(() => void records.load().catch(notices.wrong));

const CHOICES_MAX = 5;
interface Asked {
  profiles: string[];
  patternId: string | null;
  copies: number;
  /** By profile, where another than the proposed one is taken. */
  programmes: Record<string, string>;
  kilnId: string | null;
}
const asked = useLocalStorage<Asked>(
  'zp-compare',
  {
    profiles: [],
    patternId: null,
    copies: 8,
    programmes: {},
    kilnId: null,
  },
  { shallow: true, mergeDefaults: true },
);
const set = (fields: Partial<Asked>): void => void (asked.value = { ...asked.value, ...fields });

const all = computed(() => comparable(shop.lists, records.lists, records.yields));
const chosen = computed(() => {
  const picked = all.value.filter((c) => asked.value.profiles.includes(c.profile.id));
  if (picked.length > 0) return picked;
  const own = ofPour.value?.doc.resin.profileId;
  return [
    ...all.value.filter((c) => c.profile.id === own),
    ...all.value.filter((c) => c.profile.id !== own),
  ].slice(0, 3);
});
function toggle(id: string): void {
  const ids = chosen.value.map((c) => c.profile.id);
  const next = ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id].slice(-CHOICES_MAX);
  if (next.length > 0) set({ profiles: next });
}
const pattern = computed(() => shop.patterns.find((p) => p.id === asked.value.patternId) ?? shop.patterns[0]);
useNamedPatterns(() => [pattern.value?.id]);
const kiln = computed(
  () =>
    pourPlan.value?.context.kiln ??
    shop.lists.kiln.find((k) => k.id === asked.value.kilnId) ??
    shop.lists.kiln[0],
);

/* A pour's own plate: its parts, their way up and scale, its programme and kiln. */
const ofPour = computed(() => pours.pours.get(String(route.query['pour'] ?? '')));
const pourPlan = computed(() => ofPour.value && planPour(ofPour.value, planning.known));
const pourJob = computed<PlateJob | undefined>(() => {
  const print = pourPlan.value && valueOf(pourPlan.value.print);
  return (
    print && {
      heightMm: print.heightMm,
      volumeMm3: print.partsMl * 1000,
      copies: print.copies,
      raftMm2: print.raftMm2,
      footprintMm: print.footprintMm,
    }
  );
});
/** Each resin's own programme: as chosen here, the pour's for its own, else the shortest that suits it. */
const burnouts = computed(() => {
  const oven = kiln.value;
  const { programme: own } = pourPlan.value?.context ?? {};
  return chosen.value.map(({ profile, resin }) => {
    if (!oven) return undefined;
    const ofThePour = ofPour.value?.doc.resin.profileId === profile.id ? own : undefined;
    const taken = shop.lists.programme.find(({ id }) => id === asked.value.programmes[profile.id]);
    const programme = taken ?? ofThePour;
    return programme ? burnoutWith(resin, programme, oven) : burnoutFor(resin, shop.lists.programme, oven);
  });
});
async function take({ profile }: (typeof chosen.value)[number]): Promise<void> {
  const { resinId, printerId, id: profileId } = profile;
  if (!ofPour.value) return;
  pours.set(ofPour.value.id, ['resin'], { resinId, printerId, profileId });
  await router.push(`/pours/${ofPour.value.id}/print`);
}

const job = computed<PlateJob | undefined>(() => {
  if (ofPour.value) return pourJob.value;
  const part = pattern.value;
  const { copies } = asked.value;
  // As it lies in its file: the way up of a pour is the pour's own.
  if (!part || !isWholePattern(part)) return undefined;
  const { sizeMm, volumeMm3, supportPointsMm } = part.measure;
  const raftMm2 = copies * raftAreaMm2(shadowOf(supportPointsMm));
  const footprintMm = [sizeMm[0], sizeMm[1]] as const;
  return { heightMm: sizeMm[2], volumeMm3: volumeMm3 * copies, copies, raftMm2, footprintMm };
});
const rows = computed(() => {
  const of = job.value;
  if (!of) return [];
  return chosen.value.map((c, i) =>
    comparePlate(of, plateChoice(c, prints.known, burnouts.value[i]?.hours ?? 0, kiln.value?.costPerH ?? 0)),
  );
});
const decision = computed(() => decidingNumber(rows.value));
const sentence = computed(() => {
  const d = decision.value;
  if (!d) return '';
  const costOf = (name: string): number => rows.value.find((row) => row.name === name)?.costPerGood ?? 0;
  return decisionWords(d, costOf(d.best), costOf(d.next));
});
const few = computed(() => chosen.value.filter((c) => c.byBook).map((c) => c.profile.name));

const lines = computed(() =>
  compareLines(
    rows.value.map((row, i) => ({ row, compared: chosen.value[i]!, burnout: burnouts.value[i] })),
    job.value?.copies ?? 0,
    units.choice,
  ),
);
</script>

<template>
  <div class="page">
    <div class="page-head">
      <router-link to="/resins">Resins</router-link>
      <h1>Compare for a plate</h1>
    </div>
    <p v-if="shop.patterns.length === 0 || all.length === 0" class="mute">
      Needs a pattern and at least one profile of a castable resin. Drop a model file anywhere;
      <router-link to="/resins">tune a resin</router-link>.
    </p>
    <template v-else>
      <p v-if="ofPour" class="of-pour">
        The plate of <router-link :to="`/pours/${ofPour.id}/print`">pour {{ ofPour.number }}</router-link
        >{{ pourJob ? '' : ': it needs pattern, resin, printer and profile first' }}.
      </p>
      <div v-else class="form-grid">
        <v-select
          label="Part"
          :items="shop.patterns.map((p) => ({ title: p.name, value: p.id }))"
          :model-value="pattern?.id"
          @update:model-value="(patternId: string) => set({ patternId })"
        />
        <QuantityField
          label="Copies on the plate"
          unit="count"
          required
          :min="1"
          :max="500"
          :model-value="asked.copies"
          @update:model-value="(n) => n !== undefined && set({ copies: Math.round(n) })"
        />
        <v-select
          label="Kiln"
          :items="shop.lists.kiln.map((k) => ({ title: k.name, value: k.id }))"
          :model-value="kiln?.id"
          no-data-text="None yet."
          @update:model-value="(kilnId: string) => set({ kilnId })"
        />
      </div>
      <PickRow
        label="What to compare"
        :things="all.map(({ profile: { id, name } }) => ({ key: id, name }))"
        :picked="chosen.map(({ profile }) => profile.id)"
        @pick="toggle"
      />
      <div v-if="shop.lists.programme.length > 0 && kiln" class="burnouts">
        <v-select
          v-for="({ profile }, i) in chosen"
          :key="profile.id"
          :label="`Burnout of ${profile.name}`"
          :items="shop.lists.programme.map((p) => ({ title: p.name, value: p.id }))"
          :model-value="burnouts[i]?.programme.id"
          @update:model-value="(id: string) => set({ programmes: { ...asked.programmes, [profile.id]: id } })"
        />
      </div>
      <p v-if="sentence" class="decides"><b>Decides.</b> {{ sentence }}</p>
      <CompareChart v-if="rows.length > 0" :rows="rows" :currency="shop.settings.currency" />
      <div class="scroll-x" tabindex="0">
        <table class="plain mt-3">
          <thead>
            <tr>
              <th />
              <th v-for="(row, i) in rows" :key="row.name" class="right">
                {{ row.name }}
                <v-btn
                  v-if="ofPour && chosen[i] && chosen[i].profile.id !== ofPour.doc.resin.profileId"
                  size="small"
                  class="take"
                  :aria-label="`Take ${row.name}`"
                  @click="take(chosen[i])"
                  >Take</v-btn
                >
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.name" :class="{ strong: line.strong }">
              <td>{{ line.name }}</td>
              <td v-for="(cell, i) in line.cells" :key="i" class="num right">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="mute foot">
        {{ ofPour ? 'Height as the parts stand in the pour.' : 'Height as the part lies in its file.' }}
        How many come out is by the shop’s own pieces, in brackets what they leave open.
        <template v-if="few.length > 0">
          With fewer than five of its own, by what is usual for the class: {{ few.join('; ') }}.</template
        >
        Each resin burns out by a programme of its own: the shortest of the shop’s that suits it, until
        another is chosen. Hours above 650 °C that it lacks are added.
      </p>
    </template>
  </div>
</template>

<style scoped>
.burnouts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(350px, 1fr));
  gap: 10px 14px;
  margin-bottom: 14px;
}
.decides {
  padding: 8px 11px;
  border-left: 4px solid var(--verd);
  background: var(--verd-tint);
  margin-bottom: 12px;
}
.right {
  text-align: right;
}
.strong td {
  font-weight: 650;
}
.foot {
  margin-top: 8px;
  font-size: 13px;
}
</style>
