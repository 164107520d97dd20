import type { KilnLog, RefusedLog } from '@zero-pour/core';
import { useFileDialog } from '@vueuse/core';
import { shallowRef } from 'vue';
import { LARGEST_LOG, readLogText, textOf } from './readLogFile';

/** A log that was read out of a file and is looked at before it is kept. */
export interface OpenLog {
  name: string;
  text: string;
  log: KilnLog;
}

/** Picks a file and reads it; one that is refused leaves nothing behind but why. */
export function useLogFile() {
  const opened = shallowRef<OpenLog>();
  const refused = shallowRef<{ name: string; why: string }>();
  const busy = shallowRef(false);

  const sentence = ({ line, column, why }: RefusedLog): string =>
    `Line ${line}${column > 0 ? `, column ${column}` : ''}: ${why} Nothing of it is kept.`;

  function show(name: string, text: string, unit?: 'C' | 'F'): void {
    const reading = readLogText(text, unit);
    if (reading.status === 'refused') {
      opened.value = undefined;
      refused.value = { name, why: sentence(reading) };
      return;
    }
    refused.value = undefined;
    opened.value = { name, text, log: reading.log };
  }
  async function take(file: File): Promise<void> {
    opened.value = refused.value = undefined;
    if (file.size > LARGEST_LOG) {
      refused.value = { name: file.name, why: 'It is larger than 40 MB: no log of one burnout is. Nothing of it is kept.' }; // prettier-ignore
      return;
    }
    busy.value = true;
    try {
      show(file.name, textOf(await file.arrayBuffer()));
    } catch {
      refused.value = { name: file.name, why: 'The file cannot be read. Copy it to this machine first.' };
    } finally {
      busy.value = false;
    }
  }
  /** Reads it anew by a unit that somebody said. */
  const inUnit = (unit: 'C' | 'F'): void => {
    if (opened.value) show(opened.value.name, opened.value.text, unit);
  };
  const forget = (): void => void (opened.value = refused.value = undefined);

  const { open, onChange } = useFileDialog({ accept: '.csv,.txt,.tsv,.log', multiple: false, reset: true });
  onChange((files) => files?.[0] && void take(files[0]));
  return { opened, refused, busy, pick: () => open(), take, inUnit, forget };
}
