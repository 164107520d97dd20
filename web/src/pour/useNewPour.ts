import { emptyPourDoc, type PourDoc } from '@zero-pour/contracts';
import { useRouter } from 'vue-router';
import { useNotices } from '../state/notices';
import { usePours } from '../state/pourStore';

/** Starts a pour, empty or from a document, and opens its brief. */
export function useNewPour(): (doc?: PourDoc) => Promise<void> {
  const router = useRouter();
  const pours = usePours();
  const notices = useNotices();
  return async (doc = emptyPourDoc()) => {
    try {
      const pour = await pours.create(doc);
      await router.push(`/pours/${pour.id}/brief`);
    } catch (error) {
      notices.wrong(error);
    }
  };
}
