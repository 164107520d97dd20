import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import { RUBBER } from './amounts';
import type { MoldKind } from './material';

/** How a material took to a resin, by this shop's own tests on scraps. */
export const TEST_RESULTS = ['clean', 'sticky', 'marked'] as const;
export type TestResult = (typeof TEST_RESULTS)[number];

/** What is known of a print that is to be a master; undefined: nobody has said. */
export interface Master {
  resinName: string;
  survivesC: number | null;
  /** Thinnest of the part, mm. */
  thinnestMm: number | undefined;
  /** A sprue on it: in its file, or joined. */
  sprued: boolean | undefined;
  sanded: boolean | undefined;
  cured: boolean | undefined;
  /** Newest test of this material on this resin, with the coat that was on it. */
  tested: { result: TestResult; coat: string; product: string } | undefined;
}

/** Pressed rubber breaks what is thinner. mm (handbook 06). */
export const PRESSED_LEAST_MM = 1;

/** Whether a print is worth molding, each point with its remedy (handbook 06, "Rubber" and "Poured silicone"). */
export function judgeMaster(master: Master, kind: MoldKind, pressC = RUBBER.hotC): Judgement[] {
  const out: Judgement[] = [];
  const add = (rule: string, weight: Judgement['weight'], lead: string, why: Judgement['why']): void =>
    void out.push({ rule, weight, lead, why });
  if (kind === 'rubber') {
    out.push(...judgeHeat(master, pressC));
    if (master.thinnestMm === undefined)
      add(
        'master wall',
        'watch',
        'Its thinnest place is not read.',
        say`Under the press ${quantity(PRESSED_LEAST_MM, 'mm', 1)} is the least that stands.`,
      );
    else if (master.thinnestMm < PRESSED_LEAST_MM)
      add(
        'master wall',
        'fix',
        'Too thin for the press.',
        say`${quantity(master.thinnestMm, 'mm', 2)} at the thinnest; the press breaks what is under ${quantity(PRESSED_LEAST_MM, 'mm', 1)}. Pour silicone, or thicken it and take it down in wax.`,
      );
    if (master.sprued === undefined) add('master sprue', 'watch', 'Is there a sprue on it?', SPRUE_WHY);
    else if (!master.sprued) add('master sprue', 'fix', 'No sprue on it.', SPRUE_WHY);
  }
  if (kind === 'silicone' || kind === 'rubber') {
    if (master.sanded === undefined)
      add(
        'master surface',
        'watch',
        'Layer lines sanded?',
        say`Every wax copies them. Look at it wet, against the light.`,
      );
    else if (!master.sanded)
      add(
        'master surface',
        'fix',
        'Layer lines stand.',
        say`Every wax copies them: sand and matt it once here, not at every casting.`,
      );
    if (master.cured === undefined)
      add(
        'master cure',
        'watch',
        'Cured through?',
        say`What is soft inside sweats into the mold. Cure it by its protocol before it is molded.`,
      );
    else if (!master.cured)
      add(
        'master cure',
        'fix',
        'Not cured through.',
        say`What is soft inside sweats into the mold, and the mold stays sticky there.`,
      );
    out.push(...judgeTested(master, kind));
  }
  return out;
}

const SPRUE_WHY = say`Without one air stays shut in against the master and marks the mold: join a sprue, or draw it into the print.`;

function judgeHeat({ resinName, survivesC }: Master, pressC: number): Judgement[] {
  if (survivesC === null)
    return [
      {
        rule: 'master heat',
        weight: 'watch',
        lead: 'Bears the press?',
        why: say`What ${resinName} bears is not on record; rubber is pressed at ${quantity(pressC, 'degC')}. Press a scrap first.`,
      },
    ];
  if (survivesC >= pressC) return [];
  const low = survivesC >= RUBBER.lowC;
  return [
    {
      rule: 'master heat',
      weight: 'fix',
      lead: 'Softens under the press.',
      why: low
        ? say`${resinName} bears ${quantity(survivesC, 'degC')}, the press has ${quantity(pressC, 'degC')}: take a rubber for ${quantity(RUBBER.lowC, 'degC')}.`
        : say`${resinName} bears ${quantity(survivesC, 'degC')}, the press has ${quantity(pressC, 'degC')}: another resin for the master, or poured silicone.`,
    },
  ];
}

function judgeTested({ resinName, tested }: Master, kind: MoldKind): Judgement[] {
  if (!tested)
    return [
      {
        rule: 'master tested',
        weight: 'watch',
        lead: `Never tried: ${kind} on ${resinName}.`,
        why: say`Try it on a scrap of the print first${kind === 'silicone' ? ', and look after 24 h' : ''}; write down what came of it.`,
      },
    ];
  const coat = tested.coat ? ` under ${tested.coat}` : '';
  // Another product of the same kind may take to it otherwise.
  const what = tested.product || kind;
  if (tested.result === 'clean')
    return [
      {
        rule: 'master tested',
        weight: 'ok',
        lead: `Came off clean${coat}.`,
        why: say`By this shop’s own test of ${what} on ${resinName}; another ${kind} is another test.`,
      },
    ];
  return [
    {
      rule: 'master tested',
      weight: 'fix',
      lead: tested.result === 'sticky' ? 'It stays sticky.' : 'It leaves marks.',
      why: say`So it did in this shop’s own test of ${what} on ${resinName}${coat}: a barrier coat${tested.coat ? ' of another kind' : ''}, another ${kind}, or a master in another resin.`,
    },
  ];
}
