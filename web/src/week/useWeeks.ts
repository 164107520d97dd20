import { clashJob, weekJob } from '@zero-pour/jobs';
import type { WeekAnswer, WeekGoal } from '@zero-pour/core';
import {
  allWishes,
  clashWords,
  keptWishes,
  planWeeks,
  proposalProblem,
  readAnswer,
  type ClashWords,
  type Proposed,
  type WeekPlanning,
} from '@zero-pour/plan';
import { computed, shallowRef, watch } from 'vue';
import { useJob } from '../jobs';
import { useBoard } from '../state/boardStore';
import { usePlanningShop } from '../state/planningStore';
import { formatMoment } from '../time/formatMoment';

/** What the planner has to say: nothing yet, a plan, why there is none, or that today's times do. */
export type WeeksSaid =
  | { status: 'idle' }
  | { status: 'working'; says: string; share: number; first: Proposed[] | undefined }
  | { status: 'plan'; proposed: Proposed[]; answer: WeekAnswer & { status: 'planned' } }
  | { status: 'nothing' }
  | { status: 'fits' }
  | { status: 'clash'; words: ClashWords; today: boolean }
  | { status: 'not found' }
  | { status: 'failed'; sentence: string };

type Asked = 'plan' | 'today' | 'why';

/** Asks the solver for a plan of the shop's weeks, or whether today's times go together; a newer wish ends the one before. */
export function useWeeks() {
  const board = useBoard();
  const planning = usePlanningShop();
  const first = useJob(weekJob);
  const full = useJob(weekJob);
  const clash = useJob(clashJob);
  /** What was asked, of the shop as it was then: its answer is read by that. */
  const asked = shallowRef<{ what: Asked; planning: WeekPlanning } | undefined>();
  let again = clear;

  const plannedNow = (goal: WeekGoal): WeekPlanning =>
    planWeeks(board.rows, board.molds, planning.known, goal, Date.now());

  function stop(): void {
    for (const job of [first, full, clash]) job.stop();
    if (full.state.value.status !== 'done' && clash.state.value.status !== 'done') asked.value = undefined;
  }
  function clear(): void {
    for (const job of [first, full, clash]) job.clear();
    asked.value = undefined;
  }
  function propose(goal: WeekGoal): void {
    clear();
    again = () => propose(goal);
    const now = plannedNow(goal);
    asked.value = { what: 'plan', planning: now };
    const problem = proposalProblem(now) as never;
    first.ask({ problem, effort: 'first' });
    full.ask({ problem, effort: 'full' });
  }
  function check(): void {
    clear();
    again = check;
    const now = plannedNow('wanted');
    asked.value = { what: 'today', planning: now };
    clash.ask({ problem: now.problem as never, wishes: allWishes(now) });
  }
  // A plan that cannot be is asked why.
  watch(full.state, (state) => {
    if (state.status !== 'done' || state.output.status !== 'none' || asked.value?.what !== 'plan') return;
    const { planning: now } = asked.value;
    asked.value = { what: 'why', planning: now };
    clash.ask({ problem: now.problem as never, wishes: keptWishes(now) });
  });

  const words = (at: number): string => formatMoment(at, Date.now());
  function ofClash(now: WeekPlanning, today: boolean): WeeksSaid {
    const state = clash.state.value;
    if (state.status === 'failed') return { status: 'failed', sentence: state.sentence };
    if (state.status !== 'done')
      return {
        status: 'working',
        says: 'Looking for what does not go together.',
        share: state.status === 'working' ? state.share : 0,
        first: undefined,
      };
    return state.output.status === 'fits'
      ? { status: 'fits' }
      : { status: 'clash', words: clashWords(now, state.output, words), today };
  }
  const said = computed<WeeksSaid>(() => {
    if (!asked.value) return { status: 'idle' };
    const { what, planning: now } = asked.value;
    // Nothing goes together with nothing, and no plan of nothing is the best.
    if (now.subjects.length === 0) return { status: 'nothing' };
    if (what !== 'plan') return ofClash(now, what === 'today');
    const state = full.state.value;
    if (state.status === 'failed') return { status: 'failed', sentence: state.sentence };
    if (state.status === 'done') {
      const { output } = state;
      if (output.status === 'planned')
        return { status: 'plan', proposed: readAnswer(now, output), answer: output };
      return { status: 'not found' };
    }
    const early = first.state.value;
    const found =
      early.status === 'done' && early.output.status === 'planned'
        ? readAnswer(now, early.output)
        : undefined;
    const share = state.status === 'working' ? state.share : 0;
    return { status: 'working', says: found ? 'A first plan stands; looking for a better one.' : 'Planning the weeks.', share, first: found }; // prettier-ignore
  });
  const leftOut = computed(() => asked.value?.planning.leftOut ?? []);
  return { said, leftOut, propose, check, again: () => again(), stop, clear };
}
