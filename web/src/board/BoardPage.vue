<script setup lang="ts">
import { benchClock } from '@zero-pour/contracts';
import { formatPhrase } from '@zero-pour/core';
import {
  boardConflicts,
  moldConflicts,
  type BoardConflict,
  type HandsOnEntry,
  type Proposed,
} from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { useNewPour } from '../state/useNewPour';
import { useBoard } from '../state/boardStore';
import { useSlowNow } from '../state/clock';
import { handsOnLink } from '../state/handsOnLink';
import { useMolds } from '../molds';
import { quickSumsOpen } from '../quick';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { useShop } from '../state/shopStore';
import { useUnits } from '../state/unitStore';
import { browserZone, shopZone } from '../time/shopClock';
import { formatDay, formatLeft, formatMoment } from '../time/formatMoment';
import UnreadLines from '../components/UnreadLines.vue';
import BoardChart from './BoardChart.vue';
import BeginWith from './BeginWith.vue';
import CalendarLinks from './CalendarLinks.vue';
import EmptyShop from './EmptyShop.vue';
import { SafetyLine } from '../about';
import { InboxLine } from '../capture';
import { NewHere } from '../guide';
import { WeekPlanner } from '../week';
import { useBoardHeat } from './useBoardHeat';
import { useMovedZero } from './useMovedZero';

const NEXT_SHOWN = 7;

const shop = useShop();
const pours = usePours();
const units = useUnits();
const notices = useNotices();
const router = useRouter();
const newPour = useNewPour();
const now = useSlowNow();

const board = useBoard();
const molds = useMolds();
const { moved, rows, drop } = useMovedZero();
useBoardHeat(rows);
const next = computed(() => board.next);
const conflicts = computed(() => boardConflicts(rows.value, now.value, (at) => formatMoment(at, now.value)));
const moldsLate = computed(() => moldConflicts(board.molds, now.value, (at) => formatMoment(at, now.value)));
/** A plan that is looked at, beside what stands. */
const proposed = shallowRef<readonly Proposed[]>([]);
const more = shallowRef(false);
const shownNext = computed(() => (more.value ? next.value : next.value.slice(0, NEXT_SHOWN)));

const open = (href: string): void => void router.push(href);
const title = ({ what, stage, row }: HandsOnEntry): string =>
  formatPhrase(what, units.choice) + (stage === 'pour' ? ` ${row?.pour.number}` : '');

const isTicked = ({ ticks, hand, row, mold }: HandsOnEntry): boolean =>
  mold?.step !== undefined || ticks !== undefined || (hand !== undefined && row?.times?.kilnStarted === true);
function tickMold({ id, step }: { id: string; step: string }, what: string): void {
  const mold = molds.all.find((one) => one.id === id);
  if (!mold) return;
  molds.recordStep(mold, step, { ...mold.steps[step], doneAt: new Date().toISOString() });
  notices.tell(`${what}: done.`, {
    label: 'Undo',
    run: () => molds.change(mold, { steps: mold.steps, state: mold.state }),
  });
}
function tick(entry: HandsOnEntry): void {
  if (entry.mold?.step !== undefined)
    return tickMold({ id: entry.mold.id, step: entry.mold.step }, formatPhrase(entry.what, units.choice));
  const { id } = entry.row!.pour;
  const at = new Date().toISOString();
  if (entry.ticks) pours.set(id, ['print', entry.ticks], at);
  else if (entry.hand !== undefined) pours.set(id, ['burnout', 'hands', entry.hand], at);
  notices.tell(`${formatPhrase(entry.what, units.choice)}: done.`, {
    label: 'Undo',
    run: () => pours.undo(),
  });
}
function move({ row, civilZero }: BoardConflict): void {
  if (civilZero !== null) drop({ id: row.pour.id, at: civilZero });
}
/** To the kiln after its own in the shop's list. */
function nextKiln(id: string): void {
  const row = board.rows.find(({ pour }) => pour.id === id);
  const kilns = shop.lists.kiln;
  const at = kilns.findIndex((kiln) => kiln.id === row?.plan.context.kiln?.id);
  if (row?.times && kilns.length > 1) drop({ id, at: row.times.zero, kilnId: kilns[(at + 1) % kilns.length]!.id }); // prettier-ignore
}
</script>

<template>
  <div class="page board">
    <SafetyLine class="empty" />
    <UnreadLines :unread="shop.unread" class="empty" />
    <EmptyShop
      v-if="shop.isEmpty && rows.length + board.molds.length === 0 && shop.unread.length === 0"
      class="empty"
    />
    <template v-else>
      <section>
        <NewHere />
        <div class="page-head">
          <h1>Counting back from zero</h1>
          <span class="mute"
            >{{ formatDay(now) }}{{ shop.settings.shopName ? ` · ${shop.settings.shopName}` : ''
            }}{{ shopZone === browserZone() ? '' : ` · times of ${shopZone}` }}</span
          >
          <span class="spacer" />
          <button type="button" class="text-button sums" @click="quickSumsOpen = true">
            Quick sums <kbd>Q</kbd>
          </button>
          <v-btn variant="flat" @click="newPour()">New pour <kbd class="on-button">N</kbd></v-btn>
        </div>
        <BoardChart
          v-if="rows.length + board.molds.length > 0"
          :rows="rows"
          :molds="board.molds"
          :proposed="proposed"
          :now="now"
          :bench="benchClock(shop.settings)"
          :kilns="shop.lists.kiln"
          @open="open"
          @drag="(to) => (moved = to)"
          @drop="drop"
          @next-kiln="nextKiln"
        />
        <WeekPlanner v-if="rows.length > 0" @propose="(plan) => (proposed = plan)" />
        <BeginWith v-if="shop.unread.length === 0" class="mt-4" />
        <p v-if="rows.length === 0" class="sheet nothing">
          No pour is in work. Start one with <kbd>N</kbd>, or repeat one from the
          <router-link to="/record">record</router-link>.
        </p>
      </section>
      <aside aria-label="Next hands-on">
        <InboxLine />
        <h2>Next hands-on</h2>
        <ol class="hands">
          <li v-for="(entry, i) in shownNext" :key="i" :class="{ now: i === 0, late: entry.at < now }">
            <span class="t num">{{ formatLeft(entry.at, now) }}</span>
            <span>
              <router-link :to="handsOnLink(entry)" class="what">{{ title(entry) }}</router-link>
              <span class="d">
                {{ entry.of
                }}<template v-if="entry.detail.length">
                  · {{ formatPhrase(entry.detail, units.choice) }}</template
                >
                · {{ formatMoment(entry.at, now) }}<template v-if="entry.at < now">, late</template>
              </span>
            </span>
            <v-btn
              v-if="isTicked(entry) && i < 3"
              size="small"
              :aria-label="`${title(entry)}: done`"
              @click="tick(entry)"
              >Done</v-btn
            >
          </li>
        </ol>
        <p v-if="next.length === 0" class="mute">Nothing waits for hands.</p>
        <button v-if="next.length > NEXT_SHOWN" type="button" class="text-button" @click="more = !more">
          {{ more ? 'Fewer' : `${next.length - NEXT_SHOWN} more` }}
        </button>
        <div
          v-for="conflict in conflicts"
          :key="conflict.row.pour.id + conflict.judgement.rule"
          class="conflict"
        >
          <p>
            <span class="num weight">{{ conflict.judgement.weight }}</span>
            <b>{{ conflict.judgement.lead }}</b>
            {{ formatPhrase(conflict.judgement.why, units.choice) }}
          </p>
          <v-btn v-if="conflict.civilZero !== null" size="small" class="mt-2" @click="move(conflict)">
            Move to {{ formatMoment(conflict.civilZero, now) }}
          </v-btn>
        </div>
        <div v-for="{ row, judgement } in moldsLate" :key="row.mold.id + judgement.rule" class="conflict">
          <p>
            <span class="num weight">{{ judgement.weight }}</span>
            <router-link :to="`/molds/${row.mold.id}`"
              ><b>{{ judgement.lead }}</b></router-link
            >
            {{ formatPhrase(judgement.why, units.choice) }}
          </p>
        </div>
        <CalendarLinks v-if="next.length > 0" />
      </aside>
    </template>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 292px;
  gap: 22px;
}
.empty {
  grid-column: 1 / -1;
}
.on-button {
  background: none;
  border-color: var(--wax-mid);
  color: var(--paper);
  margin-left: 8px;
}
.nothing {
  padding: 28px;
}
aside h2 {
  margin-top: 14px;
}
.hands {
  list-style: none;
  padding: 0;
  margin: 2px 0 8px;
}
.hands li {
  display: grid;
  grid-template-columns: 92px 1fr auto;
  gap: 2px 10px;
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
  align-items: start;
}
.t {
  font-weight: 700;
  font-size: 16.5px;
}
.now .t,
.late .t {
  color: var(--melt-text);
}
.what {
  font-weight: 650;
  color: var(--ink);
  text-decoration: none;
  display: block;
}
.what:hover {
  text-decoration: underline;
}
.d {
  font-size: 13.5px;
  color: var(--mute);
}
.conflict {
  margin-top: 12px;
  padding: 9px 12px;
  border-left: 4px solid var(--amber);
  background: var(--amber-tint);
  font-size: 14px;
}
.weight {
  margin-right: 6px;
  font-size: 12px;
  color: var(--amber-text);
}
@media (max-width: 980px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    grid-row: 1;
  }
  .empty + aside {
    display: none;
  }
}
</style>
