import { shallowRef, watch, type ShallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { useNotices } from './notices';
import { usePours } from './pourStore';

/** Fetches the pour of a page that stands by itself; one that is not there leads back to the board. */
export function usePourLoaded(id: () => string): ShallowRef<boolean> {
  const pours = usePours();
  const notices = useNotices();
  const router = useRouter();
  const ready = shallowRef(false);
  watch(
    id,
    async (wanted) => {
      ready.value = pours.pours.has(wanted);
      if (ready.value) return;
      try {
        await pours.load(wanted);
        ready.value = true;
      } catch (error) {
        notices.wrong(error);
        await router.replace('/');
      }
    },
    { immediate: true },
  );
  return ready;
}
