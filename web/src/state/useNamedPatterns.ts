import { watch } from 'vue';
import { useNotices } from './notices';
import { usePatterns } from './shopPatterns';

/** Has patterns that are named somewhere fetched whole, and again whenever others are named. */
export function useNamedPatterns(named: () => readonly (string | null | undefined)[]): void {
  const { fetchNamed } = usePatterns();
  const { wrong } = useNotices();
  watch(
    () =>
      named()
        .filter((id) => typeof id === 'string')
        .join(' '),
    (ids) => void (ids && fetchNamed(ids.split(' ')).catch(wrong)),
    { immediate: true },
  );
}
