import type { Pattern, Pour, PourDoc } from '@zero-pour/contracts';
import { demoId } from '../demoId';
import {
  cleaned,
  hoursFrom,
  invested,
  type PieceStory,
  kilnStarted,
  poured,
  printed,
  recorded,
  sprued,
  started,
} from './happenings';
import { KILN_POUR, PAST_POURS, PLANNED_POUR, PRINTING_POUR, type PastPour } from './pastPours';
import { demoPlate } from './plates';
import { planOf, type PourStory } from './pourStory';
import { demoWeights } from './weights';

/** Morning hours at which this shop pours. */
const POUR_HOUR = 9;
const POUR_MINUTE = 15;

/** A pour hour some days from today; neither it nor the day before, when the kiln is loaded, is a Sunday. */
function morning(now: Date, days: number): Date {
  const day = new Date(now);
  day.setDate(day.getDate() + days);
  while (day.getDay() <= 1) day.setDate(day.getDate() + (days < 0 ? -1 : 1));
  day.setHours(POUR_HOUR, POUR_MINUTE, 0, 0);
  return day;
}

/** Hours of the demo's programme, and when its shop is open. */
const KILN_H = 18.5;
const [OPENS, CLOSES] = [8, 18];

/** The moment itself while the shop is open, else its next morning: a flask waits in the kiln until somebody pours it. */
function whenSomebodyIsThere(at: Date): Date {
  const hour = at.getHours();
  if (at.getDay() > 0 && hour >= OPENS && hour < CLOSES) return at;
  const next = new Date(at);
  if (hour >= POUR_HOUR) next.setDate(next.getDate() + 1);
  while (next.getDay() === 0) next.setDate(next.getDate() + 1);
  next.setHours(POUR_HOUR, POUR_MINUTE, 0, 0);
  return next;
}

/** The next such morning after another. */
const morningAfter = (other: Date): Date => morning(other, 1);

function patternOf(story: PourStory, patterns: readonly Pattern[]): Pattern {
  const pattern = patterns.find((p) => p.name === story.pattern);
  if (!pattern) throw new Error(`no pattern ${story.pattern}`);
  return pattern;
}

const asPour = (story: PourStory, doc: PourDoc, createdAt: string): Pour => ({
  id: demoId(`pour ${story.number}`),
  number: story.number,
  createdAt,
  changedAt: createdAt,
  discarded: false,
  doc,
});

function createPast(story: PastPour, pattern: Pattern, now: Date): Pour {
  const zero = morning(now, -story.daysAgo);
  let doc = planOf(story, pattern, zero);
  const weights = demoWeights(doc, pattern);
  doc = printed(doc, hoursFrom(zero, -44), story.printed, story, pattern);
  doc = cleaned(doc, hoursFrom(zero, -25));
  doc = sprued(doc, hoursFrom(zero, -22.8));
  doc = invested(doc, hoursFrom(zero, -22), 22);
  doc = kilnStarted(doc, hoursFrom(zero, -19), [hoursFrom(zero, -17)]);
  doc = poured(doc, zero.toISOString(), story, weights);
  doc = recorded(doc, hoursFrom(zero, 3), story, weights.castingG, pattern);
  return asPour(story, doc, hoursFrom(zero, -50));
}

/** In the kiln for an hour and twenty-four minutes: the flask is to be turned next. */
function createInKiln(pattern: Pattern, now: Date): Pour {
  const kilnIn = new Date(now.getTime() - 84 * 60_000);
  let doc = planOf(KILN_POUR, pattern, whenSomebodyIsThere(new Date(hoursFrom(kilnIn, KILN_H))));
  const pieces: PieceStory[] = [...Array.from({ length: 8 }, () => 'good' as const), 'lost'];
  doc = printed(doc, hoursFrom(kilnIn, -27), pieces, KILN_POUR, pattern);
  doc = cleaned(doc, hoursFrom(kilnIn, -6));
  doc = sprued(doc, hoursFrom(kilnIn, -3.6));
  doc = invested(doc, hoursFrom(kilnIn, -3), 21);
  doc = kilnStarted(doc, kilnIn.toISOString());
  return asPour(KILN_POUR, doc, hoursFrom(kilnIn, -48));
}

/** On the printer since half an hour ago, looked at just now, to be poured the morning after next. */
function createPrinting(pattern: Pattern, now: Date): Pour {
  const startedAt = new Date(now.getTime() - 30 * 60_000).toISOString();
  const plan = planOf(PRINTING_POUR, pattern, morning(now, 2));
  const plate = demoPlate(plan, pattern, PRINTING_POUR.count + 1, PRINTING_POUR);
  const doc = started(plan, startedAt, PRINTING_POUR, plate);
  const checkedAt = new Date(now.getTime() - 2 * 60_000).toISOString();
  return asPour(
    PRINTING_POUR,
    { ...doc, print: { ...doc.print, spares: 1, checkedAt } },
    hoursFrom(now, -20),
  );
}

/** Planned as far as its scale, to be poured a day later. */
const createPlanned = (pattern: Pattern, now: Date): Pour =>
  asPour(PLANNED_POUR, planOf(PLANNED_POUR, pattern, morningAfter(morning(now, 2))), hoursFrom(now, -2));

/** Twelve pours in the record and three in work, with times relative to `now`. */
export function createDemoPours(patterns: readonly Pattern[], now: Date): Pour[] {
  return [
    ...PAST_POURS.map((story) => createPast(story, patternOf(story, patterns), now)),
    createInKiln(patternOf(KILN_POUR, patterns), now),
    createPrinting(patternOf(PRINTING_POUR, patterns), now),
    createPlanned(patternOf(PLANNED_POUR, patterns), now),
  ];
}
