<script setup lang="ts">
import { formatPhrase, WEEK_GOALS, type WeekGoal } from '@zero-pour/core';
import { canonicalJson } from '@zero-pour/jobs';
import { planLapsed, type Proposed, type WayOut } from '@zero-pour/plan';
import { computed, watch } from 'vue';
import JobProgress from '../components/JobProgress.vue';
import { useBoard } from '../state/boardStore';
import { useSlowNow } from '../state/clock';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { formatMoment } from '../time/formatMoment';
import ClashList from './ClashList.vue';
import ProposalTable from './ProposalTable.vue';
import { changesOf } from './takePlan';
import { useWeeks } from './useWeeks';

/** Plans everything on the board together: proposes, compares with today, is taken or left. */
const emit = defineEmits<{ propose: [proposed: readonly Proposed[]] }>();
const shop = useShop();
const pours = usePours();
const board = useBoard();
const notices = useNotices();
const units = useUnits();
const now = useSlowNow();
const { said, leftOut, propose, check, again, stop, clear } = useWeeks();

const GOALS: Record<WeekGoal, { name: string; says: string }> = {
  wanted: { name: 'As wanted', says: 'each pour as near to its wanted time as can be' },
  earliest: { name: 'Earliest', says: 'everything poured as soon as can be' },
  civil: { name: 'Civil hours', says: 'nothing outside usual hours, few trips' },
  kiln: { name: 'Least kiln', says: 'the kilns hot for as few hours as can be' },
};
const goal = computed<WeekGoal>(() => shop.settings.planning?.goal ?? 'wanted');
function choose(wish: WeekGoal): void {
  void shop
    .keepSettings({ ...shop.settings, planning: { ...shop.settings.planning, goal: wish } })
    .catch((error: unknown) => notices.wrong(error));
  propose(wish);
}

const shown = computed<readonly Proposed[]>(() => {
  if (said.value.status === 'plan') return said.value.proposed;
  return said.value.status === 'working' ? (said.value.first ?? []) : [];
});
watch(shown, (plan) => emit('propose', plan));

/** An answer holds for the shop it was given for: once anything of that changes, it is none. */
const asOf = computed(() => {
  const { planning, ...settings } = shop.settings;
  const { goal: _goal, ...own } = planning ?? {};
  return canonicalJson([pours.open.map(({ id, doc }) => [id, doc]), settings, own, shop.lists.kiln]);
});
// A question that is still being answered is asked again of what is now: it never goes unanswered.
watch(asOf, () => (said.value.status === 'working' ? again() : clear()));

/** How good a plan is, as far as that was proven. */
const worth = computed(() => {
  if (said.value.status !== 'plan') return '';
  const { answer } = said.value;
  return answer.best
    ? 'Proven: no plan is better by this goal.'
    : 'A good plan; whether there is a better one is not proven.';
});
function told(what: string): void {
  notices.tell(what, { label: 'Undo', run: () => pours.undo() });
  clear();
}
function take(): void {
  if (said.value.status !== 'plan') return;
  pours.setAll(changesOf(said.value.proposed, shop.settings));
  told('The plan is taken.');
}
function takeWay(way: WayOut): void {
  const changed = way.proposed.filter(({ subject }) => subject.job.key === way.wish.job);
  const pour = changed[0]?.subject.row?.pour;
  const anyHour = pour && { pourId: pour.id, hands: [...(pour.doc.burnout.anyHour ?? []), ...way.anyHour] };
  pours.setAll(changesOf(way.partly ? changed : way.proposed, shop.settings, way.anyHour.length > 0 ? anyHour : undefined)); // prettier-ignore
  told('Taken.');
}
const lapsed = computed(() =>
  board.rows.flatMap((row) => {
    const why = planLapsed(row, now.value, (at) => formatMoment(at, now.value));
    return why ? [{ name: `Pour ${row.pour.number}`, why }] : [];
  }),
);
</script>

<template>
  <section class="planner" aria-label="Plan the weeks">
    <div class="bar">
      <h2>Plan the weeks</h2>
      <div class="goals" role="group" aria-label="What is best">
        <button
          v-for="wish in WEEK_GOALS"
          :key="wish"
          type="button"
          :class="{ on: wish === goal }"
          :title="GOALS[wish].says"
          :aria-pressed="wish === goal"
          @click="choose(wish)"
        >
          {{ GOALS[wish].name }}
        </button>
      </div>
      <v-btn size="small" @click="check()">Do today’s times go together?</v-btn>
      <router-link to="/week" class="list">The week’s list</router-link>
    </div>
    <p v-for="{ name, why } in lapsed" :key="name" class="tone watch" role="status">
      <b>{{ name }}: the plan does not hold any more.</b> {{ formatPhrase(why, units.choice) }}
      <v-btn size="small" class="ml-2" @click="propose(goal)">Plan anew</v-btn>
    </p>
    <JobProgress v-if="said.status === 'working'" :says="said.says" :share="said.share" @stop="stop()" />
    <ProposalTable v-if="shown.length > 0" :proposed="shown" class="mt-3" />
    <p v-if="said.status === 'plan'" class="acts">
      <span>{{ worth }}</span>
      <v-btn size="small" variant="flat" @click="take()">Take this plan</v-btn>
      <v-btn size="small" @click="clear()">Leave it</v-btn>
    </p>
    <ClashList v-else-if="said.status === 'clash'" :words="said.words" :today="said.today" @take="takeWay" />
    <p v-else-if="said.status === 'nothing'" class="tone watch" role="status">
      <b>There is nothing to plan.</b> No pour on the board has all that its times rest on.
    </p>
    <p v-else-if="said.status === 'fits'" class="tone ok" role="status">
      <b>Today’s times go together.</b> Hands, printers, kilns and waits as the shop has them; what runs
      already is taken as it is, and what nobody has said (how many flasks a kiln takes, who works here) is
      taken as one.
    </p>
    <p v-else-if="said.status === 'not found'" class="tone watch" role="status">
      <b>No plan was found.</b> That none can be is not proven: fewer pours at once, or later ones, may go.
    </p>
    <p v-else-if="said.status === 'failed'" class="tone stop" role="alert">{{ said.sentence }}</p>
    <p v-for="one in leftOut" :key="one.of" class="mute">
      Not planned: <router-link :to="one.href">{{ one.of }}</router-link>, {{ one.why }}.
    </p>
  </section>
</template>

<style scoped>
.planner {
  margin-top: 16px;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.bar h2 {
  margin: 0;
}
.goals {
  display: inline-flex;
  flex-wrap: wrap;
  border: 1px solid var(--line2);
}
.goals button {
  min-height: 36px;
  padding: 0 12px;
  border: none;
  background: var(--paper);
  font: inherit;
  color: var(--wax);
  cursor: pointer;
}
.goals button + button {
  border-left: 1px solid var(--line2);
}
.goals .on {
  background: var(--wax2);
  font-weight: 650;
}
.list {
  margin-left: auto;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin-top: 10px;
}
</style>
