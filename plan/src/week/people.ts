import { benchClock, personClock, type Person, type Settings } from '@zero-pour/contracts';
import { benchSpans, type Span, type WeekPerson, type WorkSkill } from '@zero-pour/core';

export const ANYBODY = 'hands';

/** Who works here; nobody named: one pair of hands whenever the bench is open. */
export const peopleOf = ({ people = [] }: Settings): Person[] =>
  people.length > 0 ? people : [{ key: ANYBODY, name: 'Hands' }];

export const weekPeople = (settings: Settings, from: number, to: number): WeekPerson[] =>
  peopleOf(settings).map((person) => ({
    key: person.key,
    spans: benchSpans(personClock(settings, person), from, to),
  }));

/** What counts as civil: the bench's own hours; of a bench that never closes, the day. */
export function civilSpans(settings: Settings, from: number, to: number): Span[] {
  const day = { open: true, fromMin: 7 * 60, toMin: 20 * 60 };
  const hours = settings.benchHours.map((own) => {
    if (!own.open) return own;
    const long = own.toMin <= own.fromMin || own.toMin - own.fromMin > day.toMin - day.fromMin;
    return long ? day : own;
  });
  return benchSpans({ ...benchClock(settings), hours }, from, to);
}

/** Who can do a kind of work, by key. */
export const canDo = (settings: Settings, skill: WorkSkill): string[] =>
  peopleOf(settings)
    .filter(({ does }) => does === undefined || does.includes(skill))
    .map(({ key }) => key);
