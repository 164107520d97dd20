<script setup lang="ts">
import { said } from '../../components/said';
import {
  CAST_CLASSES,
  castsWax,
  FINISHES,
  ROUTES,
  type CastClass,
  type Finish,
  type Route,
  type StageKey,
} from '@zero-pour/core';
import { classByThickness, judgeClass, nameOfPart } from '@zero-pour/plan';
import { computed } from 'vue';
import JudgementList from '../../components/JudgementList.vue';
import NoteField from '../../components/NoteField.vue';
import ChangedSince from '../ChangedSince.vue';
import OnDemand from '../../components/OnDemand.vue';
import QuantityField from '../../components/QuantityField.vue';
import { PartSilhouette, PatternDrop } from '../../pattern';
import { useNotices } from '../../state/notices';
import { usePours } from '../../state/pourStore';
import { usePatterns } from '../../state/shopPatterns';
import { useShop } from '../../state/shopStore';
import { usePour } from '../../state/usePour';
import { useThenOpen } from '../../state/useThenOpen';
import MoldOfPour from '../route/MoldOfPour.vue';
import WhichRoute from '../route/WhichRoute.vue';
import RecipeOfPour from '../recipe/RecipeOfPour.vue';
import StageHead from '../StageHead.vue';
import { useBriefLines } from '../../state/useBriefLines';
import HoldSizeFields from './HoldSizeFields.vue';
import WhenFields from './WhenFields.vue';

const emit = defineEmits<{ goTo: [stage: StageKey] }>();
const { pour, plan, set } = usePour();
const shop = useShop();
const patterns = usePatterns();
const pours = usePours();
const notices = useNotices();
const thenOpen = useThenOpen();

const brief = computed(() => pour.value.doc.brief);
const { lines, add, setCount, setOrder, remove } = useBriefLines();
const orderOf = (key: string): string | undefined => lines.value.find((line) => line.key === key)?.order;
const addable = computed(() => shop.patterns.map((p) => ({ title: p.name, value: p.id })));
const alloys = computed(() => shop.lists.alloy.map((a) => ({ title: a.name, value: a.id })));
/** What the parts themselves ask for, and how to take it. */
const thick = computed(() => classByThickness(plan.value.context));
const classHint = computed(() =>
  thick.value === undefined
    ? 'Drives temperatures and exposure; the part is not read yet'
    : thick.value.castClass === brief.value.castClass
      ? `As its thickness says: ${thick.value.castClass}`
      : 'Drives temperatures and exposure',
);
const classJudged = computed(() => judgeClass(plan.value.context));
/** Of a large shop a pattern may be here by name alone: it is added once all that is planned from it is here too. */
async function addPattern(patternId: string | null): Promise<void> {
  if (!patternId) return;
  try {
    await patterns.fetchNamed([patternId]);
    add(patternId);
  } catch (error) {
    notices.wrong(error);
  }
}
const notHere = computed(() => lines.value.length - plan.value.context.parts.length);

/* Typed here: in the template each would be inferred anew through the list's own types. */
const setMetal = (id: string | undefined): void => set(['brief', 'alloyId'], id);
const setClass = (castClass: CastClass): void => set(['brief', 'castClass'], castClass);
const setFinish = (finish: Finish): void => set(['brief', 'finish'], finish);
const setRoute = (route: Route): void => set(['brief', 'route'], route);
const setChange = (text: string | undefined): void => set(['brief', 'statedChange'], text);
const setNote = (text: string | undefined): void => set(['brief', 'note'], text);

const putAside = (): Promise<boolean> =>
  thenOpen(async () => {
    const { id, number } = pour.value;
    await pours.discard(id, true);
    notices.tell(`Pour ${number} is put aside.`, { label: 'Undo', run: () => void pours.discard(id, false) });
    return '/';
  });
</script>

<template>
  <StageHead stage="brief" title="Brief" line="what is wanted, by when, in what">
    <button type="button" class="text-button" @click="putAside">Put this pour aside</button>
  </StageHead>

  <section class="stage-block">
    <h2>Patterns and how many</h2>
    <table v-if="plan.context.parts.length > 0" class="plain parts">
      <tbody>
        <tr v-for="part in plan.context.parts" :key="part.key">
          <td>
            <span class="pattern">
              <PartSilhouette :pattern="part.pattern" />
              <router-link :to="`/patterns/${part.pattern.id}`">{{
                nameOfPart(part, plan.context.parts)
              }}</router-link>
            </span>
          </td>
          <td class="count">
            <QuantityField
              v-bind="said('pour', 'brief', 'lines', '0', 'count')"
              :model-value="part.count"
              required
              @update:model-value="(n) => n !== undefined && setCount(part.key, n)"
            />
          </td>
          <td class="order">
            <NoteField
              label="For whom"
              :max="120"
              :model-value="orderOf(part.key)"
              @update:model-value="(order) => setOrder(part.key, order)"
            />
          </td>
          <td>
            <button
              type="button"
              class="text-button"
              :aria-label="`Take ${nameOfPart(part, plan.context.parts)} out`"
              @click="remove(part.key)"
            >
              Take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="notHere > 0" class="not-here" role="status">
      {{ notHere === 1 ? 'One pattern of this pour is' : `${notHere} patterns of this pour are` }} not here:
      every number is without {{ notHere === 1 ? 'it' : 'them' }}.
    </p>
    <div class="add">
      <v-select
        v-if="addable.length > 0"
        label="Add a pattern of the shop"
        :items="addable"
        :model-value="null"
        @update:model-value="addPattern"
      />
    </div>
    <PatternDrop
      class="mt-2"
      :compact="plan.context.parts.length > 0"
      @kept="(pattern) => addPattern(pattern.id)"
    />
  </section>

  <section class="stage-block">
    <h2>Metal, class, finish</h2>
    <div class="form-grid">
      <v-select
        label="Metal"
        :items="alloys"
        :model-value="brief.alloyId"
        no-data-text="No metal in the shop yet: add one under Shop."
        @update:model-value="setMetal"
      />
      <v-select
        label="Class"
        :items="[...CAST_CLASSES]"
        :model-value="brief.castClass"
        :hint="classHint"
        persistent-hint
        @update:model-value="setClass"
      />
      <v-select
        label="Finish"
        :items="[...FINISHES]"
        :model-value="brief.finish"
        @update:model-value="setFinish"
      />
      <v-select
        label="Route"
        :items="[...ROUTES]"
        :model-value="brief.route"
        :hint="castsWax(brief.route) ? 'The print is a master or a mold: see Molds' : 'No mold to make'"
        persistent-hint
        @update:model-value="setRoute"
      />
    </div>
    <MoldOfPour v-if="castsWax(brief.route)" class="mt-3" />
    <template v-if="classJudged.length > 0 && thick">
      <JudgementList :judgements="classJudged" class="mt-2" />
      <v-btn size="small" class="mt-2" @click="setClass(thick.castClass)">Take {{ thick.castClass }}</v-btn>
    </template>
    <p v-if="alloys.length === 0" class="mute mt-2">
      <router-link to="/shop/alloy">Add a metal from the book</router-link>
    </p>
  </section>

  <RecipeOfPour choose />

  <OnDemand title="Which route?" line="what each costs for how many, and where they cross">
    <WhichRoute />
  </OnDemand>

  <section class="stage-block">
    <h2>Size that must hold in the finished piece</h2>
    <HoldSizeFields />
    <p class="mute mt-2">
      <template v-if="brief.sizes.length > 1">{{ brief.sizes.length }} sizes are wanted. </template>
      <button type="button" class="text-button" @click="emit('goTo', 'scale')">More sizes, at Scale</button>
    </p>
  </section>

  <WhenFields />

  <section class="stage-block">
    <h2>Note</h2>
    <div class="notes">
      <NoteField
        v-if="brief.againOf"
        :label="`What is different from pour ${brief.againOf}`"
        :model-value="brief.statedChange"
        @update:model-value="setChange"
      />
      <ChangedSince v-if="brief.againOf" :pour="pour" :again-of="brief.againOf" @state="setChange" />
      <NoteField label="Note" :rows="3" :model-value="brief.note" @update:model-value="setNote" />
    </div>
  </section>
</template>

<style scoped>
.pattern {
  display: flex;
  gap: 10px;
  align-items: center;
}
.parts {
  margin-bottom: 10px;
}
.count {
  width: 170px;
}
.not-here {
  color: var(--amber-text);
}
.add {
  max-width: 420px;
  margin-top: 10px;
}
.notes {
  display: grid;
  gap: 12px;
}
@media (max-width: 600px) {
  /* Name and way out above, the two fields below. */
  .parts tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 0 8px;
    padding: 6px 0;
  }
  .parts td:last-child {
    order: -1;
    text-align: right;
  }
  .parts td:first-child {
    order: -2;
  }
  .count {
    width: auto;
  }
}
</style>
