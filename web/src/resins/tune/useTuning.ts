import { tuneJob, type TuningAnswer, type TuningJob } from '@zero-pour/jobs';
import { computed, shallowRef, watch } from 'vue';
import { useJob } from '../../jobs';

/**
 * What the counts say, worked out beside the page; the answer to the newest question is shown, others are dropped.
 * `about` names what is asked about: an answer about something else is never taken for one about this.
 */
export function useTuning(about: () => string, job: () => TuningJob | undefined) {
  const { state, ask, clear } = useJob(tuneJob, { urgent: true });
  const given = shallowRef<{ about: string; answer: TuningAnswer }>();
  let asking = '';
  watch(
    job,
    (now) => {
      asking = about();
      if (now) return ask(now);
      clear();
      given.value = undefined;
    },
    { immediate: true },
  );
  watch(state, (now) => {
    if (now.status === 'done') given.value = { about: asking, answer: now.output };
  });
  const answer = computed(() => (given.value?.about === about() ? given.value.answer : undefined));
  /** The last answer, whatever it is about: a picture may stand until the next one comes. */
  const latest = computed(() => given.value?.answer);
  const problem = computed(() => (state.value.status === 'failed' ? state.value.sentence : ''));
  /** Newer counts are being worked out: what is shown is of those before. */
  const outdated = computed(() => state.value.status === 'working');
  return { answer, latest, problem, outdated };
}
