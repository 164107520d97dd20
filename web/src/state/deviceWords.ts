import type { DeviceState } from '@zero-pour/contracts';
import { formatQuantity, type UnitChoice } from '@zero-pour/core';
import { formatMoment } from '../time/formatMoment';

/** A reading that is older than this is not of now. ms */
const OLD_MS = 60_000;

/** What is known of a kiln by its device, at a glance. A link that is lost claims no temperature of now. */
export interface DeviceGlance {
  /** °C, read just now; undefined: not known. */
  readC: number | undefined;
  /** "read", "link lost", "thermocouple lost". */
  word: string;
  /** What was last read, and when; or why there is nothing. */
  more: string;
}

const degrees = (value: number, choice: UnitChoice): string =>
  formatQuantity({ value, unit: 'degC' }, choice);

/** What was read last, with its moment by this machine's clock: never as if it were now. */
function lastWords({ reading, readAt }: DeviceState, now: number, choice: UnitChoice): string {
  if (!reading || readAt === null || reading.value === null) return 'Nothing was read.';
  return `Last read ${degrees(reading.value, choice)} at ${formatMoment(Date.parse(readAt), now)}; what it is now is not known.`;
}

export function deviceGlance(state: DeviceState, now: number, choice: UnitChoice): DeviceGlance {
  const { link, reading, readAt, sentence } = state;
  const unknown = (word: string, more: string): DeviceGlance => ({ readC: undefined, word, more });
  if (link === 'asking') return unknown('is asked', 'No answer yet.');
  if (link === 'lost')
    return unknown('link lost', `${sentence ?? ''} ${lastWords(state, now, choice)}`.trim());
  if (!reading || readAt === null)
    return unknown('nothing read', 'The device answers; it has not said a reading yet.');
  if (reading.value === null)
    return unknown(
      'thermocouple lost',
      'The device answers, its thermocouple reads nothing: how hot it is is not known.',
    );
  if (now - Date.parse(readAt) > OLD_MS) return unknown('silent', lastWords(state, now, choice));
  const set = reading.set === null ? 'Nothing drives it.' : `Set point ${degrees(reading.set, choice)}.`;
  return { readC: reading.value, word: 'read', more: sentence ? `${set} ${sentence}` : set };
}

/** What is to know of a device's own clock and pace; empty: nothing. */
export function clockWords({ device }: DeviceState): string {
  if (!device) return '';
  const parts: string[] = [];
  if (device.standIn) parts.push('It is a stand-in: no kiln is heated.');
  if (device.pace !== 1) parts.push(`Its time goes ${device.pace} times as fast.`);
  const offMin = Math.round(Math.abs(device.clockOffS) / 60);
  if (offMin >= 2)
    parts.push(
      `When it was reached its clock was ${offMin < 120 ? `${offMin} min` : `${Math.round(offMin / 60)} h`} ${device.clockOffS > 0 ? 'ahead' : 'behind'}.`,
    );
  return parts.join(' ');
}
