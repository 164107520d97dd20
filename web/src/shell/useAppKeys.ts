import { STAGES } from '@zero-pour/core';
import { useEventListener } from '@vueuse/core';
import { ref, type Ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';
import { BENCH_LISTS } from '../state/benchLists';
import { useNewPour } from '../state/useNewPour';
import { isTyping } from '../state/isTyping';
import { useMolds } from '../molds';
import { captureOpen } from '../capture';
import { quickSumsOpen } from '../quick';

/** Keys that hold on every page (design: number row for stages, N, Q, /, B, E, ?, Esc, Ctrl+Z). */
export function useAppKeys(): { finding: Ref<boolean>; showingHelp: Ref<boolean> } {
  const router = useRouter();
  const route = useRoute();
  const pours = usePours();
  const notices = useNotices();
  const molds = useMolds();
  const newPour = useNewPour();
  const finding = ref(false);
  const showingHelp = ref(false);

  function pourKey(key: string): boolean {
    const id = String(route.params['id']);
    const stage = STAGES.find((s) => s.shortcut === key);
    if (stage) void router.push(`/pours/${id}/${stage.key}`);
    else if (key === 'b') {
      const list = BENCH_LISTS.find((name) => name === route.params['stage']) ?? 'clean';
      void router.push(`/pours/${id}/bench/${list}`);
    } else if (key === 'e') void router.push({ path: `/pours/${id}/result`, hash: '#counts' });
    else return false;
    return true;
  }

  function moldKey(key: string): boolean {
    // The page shows the newest mold where its address names none.
    const id = route.params['id'] || molds.all[0]?.id;
    if (key !== 'b' || !id) return false;
    void router.push(`/molds/${String(id)}/bench`);
    return true;
  }

  function plainKey(key: string): boolean {
    if (key === 'n') void newPour();
    else if (key === '/') finding.value = true;
    else if (key === '?') showingHelp.value = true;
    else if (key === 'q') quickSumsOpen.value = true;
    else if (key === 'c') captureOpen.value = true;
    else if (key === 'escape') void router.push('/');
    else return false;
    return true;
  }

  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    // At the bench too a thing is noted by one key; the other keys there are its own.
    const notes = event.key.toLowerCase() === 'c' && !event.ctrlKey && !event.metaKey;
    const inDialog =
      finding.value ||
      showingHelp.value ||
      quickSumsOpen.value ||
      captureOpen.value ||
      document.querySelector('.v-overlay--active:not(.v-snackbar)') !== null;
    if (
      event.defaultPrevented ||
      isTyping(event.target) ||
      inDialog ||
      (route.meta['bare'] && !notes) ||
      event.altKey
    )
      return;
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && key === 'z') {
      event.preventDefault();
      notices.tell(pours.undo() ? 'Taken back.' : 'Nothing to take back.');
    } else if (!event.ctrlKey && !event.metaKey) {
      const taken = (route.name === 'pour' && pourKey(key)) || (route.name === 'molds' && moldKey(key));
      if (taken || plainKey(key)) event.preventDefault();
    }
  });

  return { finding, showingHelp };
}
