import {
  crossesSwell,
  CARBON_C,
  interruptedBy,
  programmeCurve,
  ROOM_C,
  type Interruption,
  type KilnPace,
  type ProgrammeCurve,
  type Segment,
} from '../burnout';
import { heatFlask, type FlaskHeat, type HeatOfFlask } from './heatFlask';
import { CORE_OFF_C, STEAM_RIM_C } from './judgeCore';
import { withRoles, type ProgrammeRoles } from './programmeRoles';

/** 'mend': what is asked stays, and is only lengthened or slowed where the flask needs it. 'shortest': whatever nothing asks for goes. */
export type FitAim = 'mend' | 'shortest';

export interface FitAsked {
  flask: Omit<HeatOfFlask, 'kiln' | 'airMin'>;
  segments: readonly Segment[];
  castingC: number;
  kiln: KilnPace;
  startC?: number;
  /** Hours above 650 °C that what burns asks for, at the core. */
  cleanOutH: number;
  rampMaxCPerH: number;
  /** Of the powder. */
  ceilingC: number;
  /** The powder is made for a fast burnout: steam is no limit. */
  fastPowder: boolean;
  aim: FitAim;
  /** What befell it so far, while it burns. */
  cuts?: readonly Interruption[] | undefined;
  /** So many segments have begun, and ended: their climbs, and their holds, are what they are. */
  begun?: number | undefined;
  ended?: number | undefined;
}

/** One thing that was changed; null: the kiln's own pace, or the casting temperature. */
export interface FitChange {
  segment: string;
  what: 'hold' | 'ramp' | 'target' | 'added';
  from: number | null;
  to: number | null;
}
export type ProgrammeFit =
  | {
      status: 'found';
      segments: Segment[];
      changes: FitChange[];
      totalH: number;
      beforeH: number;
      /** The flask under the found programme. */
      heat: FlaskHeat;
    }
  | { status: 'none'; why: string };

/** Holds are told in such steps, h. */
export const STEP_H = 5 / 60;
/** No hold is searched longer than this, h. */
export const LONGEST_HOLD_H = 24;
export const LONGEST_SOAK_H = 12;
/** As steep as a climb may become that no resin limits (*shop default*, ours): silica turns over on the way. */
const FREE_RAMP_C_PER_H = 150;
/** Carbon burns in reasonable time well above where it begins. °C */
const PEAK_C = 730;
/** A kiln so hot at loading is a fast cycle, which has no steam stage and no swell to slow. */
const HOT_KILN_C = 300;
/** Nearer than what is judged by, so that a time step more or less changes nothing. */
const SOAKED_C = CORE_OFF_C - 1;

const upToStep = (hours: number): number => Math.ceil(hours / STEP_H - 1e-6) * STEP_H;

/**
 * The smallest change of a programme that keeps every judgement of the flask's core, or the shortest programme of its shape that does:
 * steam hold, then peak hold, then soak, each found by the heat model (handbook 07) on a grid of five minutes, and the whole of it run once
 * more. A hold that no judgement is about (gasifying at 370 °C) stays as it is given. About a dozen heat runs.
 */
export function fitProgramme(asked: FitAsked, report: (share: number) => void = () => {}): ProgrammeFit {
  const { startC = ROOM_C } = asked;
  if (startC >= HOT_KILN_C)
    return { status: 'none', why: 'A flask that goes into a hot kiln is through steam and swell in minutes: there is no hold to find.' }; // prettier-ignore
  const { segments: given, roles, steamAdded } = withRoles(asked.segments);
  if (steamAdded && (asked.begun ?? 0) > 0)
    return { status: 'none', why: 'It burns without a steam hold already: none can be put in front.' };
  const search = new Search(asked, withRamps(asked, given, roles, startC), roles, report);
  const why = search.steam(steamAdded) ?? search.peakAndSoak();
  if (why !== undefined) return { status: 'none', why };
  const { segments } = search;
  const heat = search.run();
  report(1);
  return {
    status: 'found',
    segments,
    changes: changesOf(asked.segments, segments.length < given.length ? given.slice(1) : given, segments),
    totalH: search.curve().totalH,
    beforeH: curveOf(asked, asked.segments).totalH,
    heat,
  };
}

/** The kiln's curve of the programme that is searched, with what befell it. */
export const curveOf = (
  { castingC, kiln, startC, cuts = [] }: Pick<FitAsked, 'castingC' | 'kiln' | 'startC' | 'cuts'>,
  segments: readonly Segment[],
): ProgrammeCurve => interruptedBy(programmeCurve(segments, castingC, kiln, startC), cuts, kiln);

/** Ramps within the resin's limit, and steeper ones where they may be; a peak that burns carbon and spares the powder. */
function withRamps(asked: FitAsked, given: readonly Segment[], { peak }: ProgrammeRoles, startC: number): Segment[] {
  let fromC = startC;
  return given.map((segment, n) => {
    const before = fromC;
    const asks = segment.targetC ?? asked.castingC;
    const hot = n === peak && asks <= CARBON_C ? PEAK_C : asks;
    const targetC = Math.min(hot, asked.ceilingC);
    fromC = targetC;
    const own = { ...segment, targetC: segment.targetC === null && targetC === asked.castingC ? null : targetC };
    if (n < (asked.begun ?? 0)) return segment;
    if (targetC <= before) return own;
    const most = crossesSwell(before, targetC) ? asked.rampMaxCPerH : FREE_RAMP_C_PER_H;
    const ramp = segment.rampCPerH ?? asked.kiln.maxRampCPerH;
    if (asked.aim === 'shortest') return { ...own, rampCPerH: Math.max(most, crossesSwell(before, targetC) ? 0 : ramp) };
    return crossesSwell(before, targetC) && ramp > most ? { ...own, rampCPerH: most } : own;
  });
} // prettier-ignore

/** One search: the programme as it is found so far, and how far it has come. */
class Search {
  private runs = 0;
  constructor(
    private readonly asked: FitAsked,
    public segments: Segment[],
    private roles: ProgrammeRoles,
    private readonly report: (share: number) => void,
  ) {}

  curve(): ProgrammeCurve {
    return curveOf(this.asked, this.segments);
  }
  /** The flask under it, to an hour of the curve. */
  run(toH = Infinity): FlaskHeat {
    const { points } = this.curve();
    this.report(Math.min(0.95, ++this.runs / 14));
    const upTo = points.filter(({ h }) => h <= toH);
    return heatFlask({ ...this.asked.flask, kiln: upTo });
  }
  private isPast(of: keyof ProgrammeRoles): boolean {
    return this.roles[of] < (this.asked.ended ?? 0);
  }
  private hold(of: keyof ProgrammeRoles): number {
    return this.segments[this.roles[of]]!.holdH;
  }
  /** As short as it may become: what hands do in it stays within it. */
  private leastHold(of: keyof ProgrammeRoles): number {
    const { segment, startH, holdFromH } = this.curve().segments[this.roles[of]]!;
    const lastHand = Math.max(0, ...segment.hands.map(({ afterH }) => afterH));
    return Math.max(0, upToStep(lastHand - (holdFromH - startH)));
  }
  private setHold(of: keyof ProgrammeRoles, holdH: number): void {
    this.segments = this.segments.map((one, n) => (n === this.roles[of] ? { ...one, holdH } : one));
  }

  /** Long enough that the core is dry before the rim is hot; a hold that was put in front goes again where none is needed. */
  steam(added: boolean): string | undefined {
    const why = this.steamHold();
    if (why === undefined && added && this.hold('steam') === 0) {
      const { steam, peak, soak } = this.roles;
      this.segments = this.segments.slice(1);
      this.roles = { steam, peak: peak - 1, soak: soak - 1 };
    }
    return why;
  }
  private steamHold(): string | undefined {
    const given = this.hold('steam');
    // What is past cannot be mended; the core says what it cost.
    if (this.asked.fastPowder || this.isPast('steam')) return undefined;
    const isDry = (steps: number): boolean => {
      this.setHold('steam', steps * STEP_H);
      // What comes after the peak is reached no longer tells of steam.
      const { dryH, rimOverSteamC } = this.run(this.curve().segments[this.roles.peak]!.holdFromH);
      return dryH === null ? rimOverSteamC <= STEAM_RIM_C && this.run().dryH !== null : rimOverSteamC <= STEAM_RIM_C; // prettier-ignore
    };
    const first = Math.ceil(given / STEP_H - 1e-6);
    let [bad, good] = [Math.round(this.leastHold('steam') / STEP_H) - 1, first];
    if (isDry(first)) {
      if (this.asked.aim === 'mend') return void this.setHold('steam', given);
    } else {
      [bad, good] = [first, Math.max(2 * first, 12)];
      while (!isDry(good)) {
        if (good * STEP_H > LONGEST_HOLD_H)
          return 'No steam hold of a day dries this flask before its rim is hot.';
        [bad, good] = [good, 2 * good];
      }
    }
    while (good - bad > 1) {
      const middle = (good + bad) >> 1;
      if (isDry(middle)) good = middle;
      else bad = middle;
    }
    this.setHold('steam', good * STEP_H);
    return undefined;
  }

  /** Long enough at the peak that the core is clean, and at the end that it has come down. */
  peakAndSoak(): string | undefined {
    const { cleanOutH, aim } = this.asked;
    if (this.isPast('peak') && this.run().coreCarbonH < cleanOutH)
      return 'The peak is past, and the core is not clean: heating it again is a new programme. Or give it up.';
    const [givenPeak, givenSoak] = [this.hold('peak'), this.hold('soak')];
    this.setHold('soak', LONGEST_SOAK_H);
    let heat = this.run();
    for (let n = 0; n < 8; n++) {
      const short = cleanOutH - heat.coreCarbonH;
      const next = Math.max(
        aim === 'mend' ? givenPeak : this.leastHold('peak'),
        upToStep(this.hold('peak') + short),
      );
      if (this.isPast('peak') || (Math.abs(next - this.hold('peak')) < STEP_H / 2 && short <= 0)) break;
      if (next > LONGEST_HOLD_H)
        return 'No hold of a day at the peak makes the core clean: it does not come above 650 °C.';
      // It is too short by less than a step, or by what the last one brought less than was asked.
      this.setHold('peak', next === this.hold('peak') ? next + STEP_H : next);
      heat = this.run();
    }
    if (heat.coreCarbonH < cleanOutH) return 'No hold at the peak was found that makes the core clean.';
    const soak = this.soaked(heat);
    if (soak === undefined) return 'The core does not come to the casting temperature within half a day.';
    this.setHold('soak', Math.max(aim === 'mend' ? givenSoak : this.leastHold('soak'), soak));
    return undefined;
  }

  /** Hours of soak after which the core is at the casting temperature, and stays. */
  private soaked({ rows }: FlaskHeat): number | undefined {
    const { castingC } = this.asked;
    const from = this.curve().segments[this.roles.soak]!.holdFromH;
    const lastOff = rows.findLastIndex(({ coreC }) => Math.abs(coreC - castingC) > SOAKED_C);
    const there = rows[lastOff + 1];
    return there && Math.max(0, upToStep(there.h - from));
  }
}

/** What tells the found segments from those given, side by side. */
export function changesOf(
  asked: readonly Segment[],
  given: readonly Segment[],
  found: readonly Segment[],
): FitChange[] {
  return found.flatMap((segment, n): FitChange[] => {
    const before = given[n]!;
    if (!asked.includes(before)) {
      return [{ segment: segment.name, what: 'added', from: null, to: segment.holdH }];
    }
    const changed = (what: FitChange['what'], from: number | null, to: number | null): FitChange[] =>
      from === to || (from !== null && to !== null && Math.abs(from - to) < 1e-6) ? [] : [{ segment: segment.name, what, from, to }]; // prettier-ignore
    return [
      ...changed('ramp', before.rampCPerH, segment.rampCPerH),
      ...changed('target', before.targetC, segment.targetC),
      ...changed('hold', before.holdH, segment.holdH),
    ];
  });
}
