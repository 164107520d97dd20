import { useRouter } from 'vue-router';
import { useNotices } from './notices';

/**
 * Does what takes a while and opens the page that it answers with; whoever has gone elsewhere
 * meanwhile is not pulled back. What goes wrong is told. Answers whether it was done.
 */
export function useThenOpen(): (work: () => Promise<string>) => Promise<boolean> {
  const router = useRouter();
  const notices = useNotices();
  return async (work) => {
    const from = router.currentRoute.value.fullPath;
    try {
      const to = await work();
      if (router.currentRoute.value.fullPath === from) await router.push(to);
      return true;
    } catch (error) {
      notices.wrong(error);
      return false;
    }
  };
}
