import { useFileDialog } from '@vueuse/core';
import { shallowRef } from 'vue';
import { keepPhoto } from '../api/keepPhoto';
import { useNotices } from '../state/notices';

/** A file that was chosen and is kept by its hash. */
export interface KeptFile {
  hash: string;
  name: string;
  mediaType: string;
}

/** Asks for files, keeps them, and hands them over; a file that cannot be kept is said and loses nothing else. */
export function useKeptFiles(accept: string, taken: (files: KeptFile[]) => void) {
  const notices = useNotices();
  const busy = shallowRef(false);
  const { open, onChange } = useFileDialog({ accept, multiple: true, reset: true });
  onChange(async (files) => {
    busy.value = true;
    try {
      const kept = [...(files ?? [])].map(async (file) => ({
        ...(await keepPhoto(file)),
        mediaType: file.type.slice(0, 100),
      }));
      taken(await Promise.all(kept));
    } catch (error) {
      notices.wrong(error);
    } finally {
      busy.value = false;
    }
  });
  return { open, busy };
}
