import { say, type Phrase, type StageKey } from '@zero-pour/core';
import type { Reading } from '@zero-pour/contracts';
import type { PourContext } from './context';
import type { Figure } from './figure';
import type { Need, Planned } from './planned';

/** A line of the ticket: a figure that opens its working, plain words, a moment, a reading, or what is needed first. */
export type TicketLine = { label: string; big?: boolean } & (
  | { kind: 'figure'; figure: Figure }
  | { kind: 'words'; words: Phrase; guessed?: boolean }
  | { kind: 'pair'; figures: readonly [Figure, Figure] }
  | { kind: 'moment'; at: number; beforeZero?: Figure; lapses?: boolean }
  | { kind: 'needs'; needs: Need[] }
  | { kind: 'impossible'; reason: string; stage: StageKey }
);

/** Sections in the order of the ticket. */
export const TICKET_SECTIONS = [
  'Zero',
  'Keeps',
  'Castings',
  'Weigh',
  'Metal',
  'Temperatures',
  'Mix',
  'Set',
  'Cost',
] as const;

/** Lines for a section: of the whole pour, or of one of its flasks. */
export interface TicketPart {
  section: (typeof TICKET_SECTIONS)[number];
  /** Index of the flask. */
  flask?: number;
  lines: TicketLine[];
}

/** A plan's figure, or what stands in its way. */
export function figureLine<T>(
  label: string,
  planned: Planned<T>,
  pick: (value: T) => Figure,
  big = false,
): TicketLine {
  return planned.status === 'known'
    ? { label, big, kind: 'figure', figure: pick(planned.value) }
    : waitingLine(label, planned);
}

/** What stands in the way of a plan. */
export function waitingLine(
  label: string,
  planned: Exclude<Planned<unknown>, { status: 'known' }>,
): TicketLine {
  switch (planned.status) {
    case 'missing':
      return { label, kind: 'needs', needs: planned.needs };
    case 'impossible':
      return { label, kind: 'impossible', reason: planned.reason, stage: planned.stage };
    case 'working':
      return wordsLine(label, say`${planned.what} …`);
    case 'failed':
      return wordsLine(label, say`${planned.reason}`);
  }
}

export const wordsLine = (label: string, phrase: Phrase, guessed = false): TicketLine => ({
  label,
  kind: 'words',
  words: phrase,
  guessed,
});

/** What was read: the number, what it felt like, or that nobody measured. */
export function readLine(
  label: string,
  reading: Reading | undefined,
  show: (value: number) => Phrase,
): TicketLine {
  if (!reading || reading.state === 'not measured') return wordsLine(label, say`not measured`);
  if (reading.state === 'felt') return wordsLine(label, say`felt ${reading.felt}`, true);
  return wordsLine(label, show(reading.value), reading.state === 'guessed');
}

/** A name; where there are several flasks, it says of which. */
export const ofFlask = (name: string, { flasks }: Pick<PourContext, 'flasks'>, index: number): string =>
  flasks.length > 1 ? `${name}, flask ${index + 1}` : name;
