import type { Route } from '../brief';
import type { Judgement } from '../judge';
import { quantity, say } from '../numeric';
import type { ResinFamily } from '../scale';

/** What of a resin decides which mold may be made from its print. */
export interface RoutedResin {
  name: string;
  family: ResinFamily;
  curesSilicone: 'yes' | 'no' | 'not known';
  survivesC: number | null;
}

/** Vulcanisers, °C: low-temperature rubbers, and the usual ones (handbook 06). */
const LOW_RUBBER_C = 143;
const USUAL_RUBBER_C = 152;
const SOFT: readonly ResinFamily[] = ['wax-rich', 'low-wax'];

/** Whether this resin's print can be the master, or the mold, that the brief's route wants. */
export function judgeRoute(resin: RoutedResin, route: Route): Judgement[] {
  if (route === 'wax from a rubber mold') return judgeRubber(resin);
  if (route === 'wax from a silicone mold') return judgeSilicone(resin);
  if (route === 'wax from a printed mold') return judgePrinted(resin);
  return [];
}

const judgement = (weight: Judgement['weight'], lead: string, why: Judgement['why']): Judgement[] => [
  { rule: 'route and resin', weight, lead, why },
];

function judgeRubber({ name, family, survivesC }: RoutedResin): Judgement[] {
  if (survivesC !== null && survivesC >= USUAL_RUBBER_C) return [];
  if (survivesC !== null && survivesC >= LOW_RUBBER_C)
    return judgement(
      'watch',
      'Low-temperature rubber only.',
      say`${name} bears ${quantity(survivesC, 'degC')}: under the usual ${quantity(USUAL_RUBBER_C, 'degC')} for vulcanising.`,
    );
  if (survivesC !== null || SOFT.includes(family))
    return judgement(
      'fix',
      'Not a master for rubber.',
      survivesC === null
        ? say`${name} is ${family}: it softens under the press’s heat and pressure. Print the master in a heat-resistant resin, or pour silicone.`
        : say`${name} bears ${quantity(survivesC, 'degC')}, rubber is pressed at ${quantity(LOW_RUBBER_C, 'degC')} and more. Print the master in a heat-resistant resin, or pour silicone.`,
    );
  return judgement(
    'watch',
    'Bears the vulcaniser?',
    say`Not known of ${name}. Press a scrap of it first, and write the temperature into its record.`,
  );
}

function judgeSilicone({ name, curesSilicone }: RoutedResin): Judgement[] {
  if (curesSilicone === 'yes') return [];
  return curesSilicone === 'no'
    ? judgement(
        'fix',
        'It keeps silicone from curing.',
        say`Platinum silicone stays sticky against ${name}: a barrier coat, another silicone, or a master in another resin.`,
      )
    : judgement(
        'watch',
        'Does silicone cure against it?',
        say`Not known of ${name}. Pour a spot on a scrap of the print and look after 24 h.`,
      );
}

const judgePrinted = ({ name, family }: RoutedResin): Judgement[] =>
  family === 'flexible mold'
    ? []
    : judgement(
        'watch',
        'A hard mold.',
        say`${name} is ${family}: a printed mold of it must let the wax go without bending. Flexible mold resins give way.`,
      );
