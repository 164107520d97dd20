import { networkStateSchema } from '@zero-pour/contracts';
import { computed } from 'vue';
import { useAsked } from '../api/useAsked';

/**
 * Where a scanned code leads: to the shop's address in its network where that is open, else to this page's own, which another
 * device may not reach.
 */
export function useScanAddress() {
  const { told } = useAsked(networkStateSchema, () => '/network');
  const isLocal = /^(127\.|localhost|\[::1\])/.test(location.host);
  const base = computed(() => told.value?.url ?? `${location.origin}/`);
  return {
    addressOf: (path: string): string => base.value + path.replace(/^\//, ''),
    /** A phone that scans it gets nowhere. */
    opensHereOnly: computed(() => isLocal && told.value !== undefined && told.value.url === null),
  };
}
