import { useFileDialog } from '@vueuse/core';
import { shallowRef } from 'vue';
import { keepPhoto } from '../api/keepPhoto';
import { preparePhoto } from '../api/preparePhoto';
import { knownShop } from '../state/shopKeys';
import { useNotices } from '../state/notices';

/** A file that was chosen and is kept by its hash. */
export interface KeptFile {
  hash: string;
  name: string;
  mediaType: string;
}

async function keepOne(file: File): Promise<KeptFile> {
  const ready = file.type.startsWith('image/') ? await preparePhoto(file) : file;
  return { ...(await keepPhoto(ready, knownShop())), mediaType: ready.type.slice(0, 100) };
}

/** Asks for files, keeps them, and hands them over; a file that cannot be kept is said and loses nothing else. */
export function useKeptFiles(accept: string, taken: (files: KeptFile[]) => void) {
  const notices = useNotices();
  const busy = shallowRef(false);
  const { open, onChange } = useFileDialog({ accept, multiple: true, reset: true });
  onChange(async (files) => {
    busy.value = true;
    const tried = await Promise.allSettled([...(files ?? [])].map(keepOne));
    busy.value = false;
    const kept = tried.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []));
    if (kept.length > 0) taken(kept);
    // The last that is said stays in sight; each is one sentence.
    for (const one of tried) if (one.status === 'rejected') notices.wrong(one.reason);
  });
  return { open, busy };
}
