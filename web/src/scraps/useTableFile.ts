import { useDropZone, useFileDialog } from '@vueuse/core';
import { shallowRef, type Ref } from 'vue';
import { sentenceOf } from '../api/request';
import { readTableFile } from './readTableFile';

/** A table's file, chosen or dropped: handed on as rows of cells, or what is wrong with it as a sentence. */
export function useTableFile(
  place: Readonly<Ref<HTMLElement | null>>,
  opened: (cells: string[][], name: string) => void,
) {
  const trouble = shallowRef('');
  async function read(file: File | undefined): Promise<void> {
    if (!file) return;
    trouble.value = '';
    try {
      opened(await readTableFile(file), file.name);
    } catch (error) {
      trouble.value = sentenceOf(error);
    }
  }
  const { open, onChange } = useFileDialog({ accept: '.csv,.tsv,.txt,text/csv', reset: true });
  onChange((files) => void read(files?.[0]));
  const { isOverDropZone } = useDropZone(place, { onDrop: (files) => void read(files?.[0]) });
  return { trouble, open, isOver: isOverDropZone };
}
