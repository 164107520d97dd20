import { fieldWords, momentSchema } from '@zero-pour/contracts';
import { STAGES } from '@zero-pour/core';
import type { NotKept } from './notKept';
import { clockTime } from '../time/shopClock';

/** The place of a refused field as it is called: "Print › room c". */
export function placeWords(path: readonly string[]): string {
  const [stage, ...rest] = path;
  const name = STAGES.find(({ key }) => key === stage)?.name ?? stage ?? '';
  return [name, ...rest.map(fieldWords)].join(' › ');
}

/** What was typed, in one short line. */
export function typedWords(value: unknown): string {
  if (value === null) return 'taken away';
  if (momentSchema.safeParse(value).success)
    return clockTime(Date.parse(String(value)), 'EEE d MMM yyyy HH:mm');
  if (typeof value !== 'object') return String(value);
  const { state, value: reading, felt } = value as { state?: string; value?: number; felt?: string };
  if (state !== undefined) return [state, reading ?? felt].filter((part) => part !== undefined).join(' ');
  const text = JSON.stringify(value);
  return text.length > 90 ? `${text.slice(0, 90)} …` : text;
}

/** Where the entry is dealt with. */
export function addressOf(entry: NotKept): string {
  if (entry.of === 'pour') return `/pours/${entry.pourId}/${entry.change.path[0]}`;
  const [, root, kind, id] = entry.at.split('/');
  if (root === 'settings') return '/shop/settings';
  if (root === 'patterns') return `/patterns/${kind}`;
  if (root === 'records' && kind === 'metalLot') return `/shop/lots/${id}`;
  if (root === 'records' && kind === 'mold') return `/molds/${id}`;
  if (root === 'records')
    return kind === 'sizeSeries' ? `/sizes/series/${id}` : `/resins/${String(entry.value['resinId'])}`;
  if (kind === 'profile') return `/resins/${String(entry.value['resinId'])}/profiles`;
  return kind === 'resin' ? `/resins/${id}` : `/shop/${kind}/${id}`;
}

function thingWords({ at, value }: Extract<NotKept, { of: 'thing' }>): string {
  if (at === '/settings') return 'The shop’s settings';
  return typeof value['name'] === 'string' ? value['name'] : 'A record of the bench';
}

export const titleOf = (entry: NotKept): string =>
  entry.of === 'pour' ? placeWords(entry.change.path) : thingWords(entry);
