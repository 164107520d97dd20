import type { Judgement } from '../judge';
import type { Composition } from '../metal';
import { quantity, say } from '../numeric';

/** How a casting is cleared of its investment, from the gentlest to what goes where nothing else does. */
export const DIVEST_TOOLS = ['water and brush', 'by hand', 'jet', 'ultrasonic', 'needle'] as const;
export type DivestTool = (typeof DIVEST_TOOLS)[number];
export const EFFORTS = ['easy', 'some', 'hard'] as const;
export type OpeningEffort = (typeof EFFORTS)[number];

/** Ways in narrower than this hold investment against a jet; deeper than so many widths the ultrasonic must loosen it. mm */
const JET_FROM_MM = 1.2;
const NEEDLE_BELOW_MM = 0.6;
const DEEP_WIDTHS = 3;

export interface ToOpen {
  divest: 'quench' | 'break out';
  /** Boric acid or another hardener in the mix. */
  hardened: boolean;
  /** The narrowest way in and how deep it goes, mm; undefined while the patterns are not read, null: none is narrow. */
  narrowest: { widthMm: number; depthMm: number } | null | undefined;
}
export interface OpeningAdvice {
  tool: DivestTool;
  why: Judgement['why'];
  /** Whether the ways into the pieces were looked at. */
  known: boolean;
}

/** Which tool will clear it, worked out beforehand (handbook 08): by the alloy, what hardens the mix, the narrowest way in. */
export function adviseOpening({ divest, hardened, narrowest }: ToOpen): OpeningAdvice {
  const known = narrowest !== undefined;
  if (narrowest) {
    const { widthMm, depthMm } = narrowest;
    const way = say`A way in of ${quantity(widthMm, 'mm', 1)}, ${quantity(depthMm, 'mm', 1)} deep`;
    if (widthMm < NEEDLE_BELOW_MM)
      return { tool: 'needle', known, why: [...way, ': a needle, after the ultrasonic has loosened it.'] };
    if (depthMm > DEEP_WIDTHS * widthMm)
      return { tool: 'ultrasonic', known, why: [...way, ': a jet does not reach its end.'] };
    if (widthMm < JET_FROM_MM) return { tool: 'jet', known, why: [...way, ': a brush does not go in.'] };
  }
  if (hardened) return { tool: 'jet', known, why: say`What hardens the mix holds on to the metal.` };
  if (divest === 'break out')
    return { tool: 'by hand', known, why: say`The flask is too cool to burst in water: broken out by hand, the rest by jet or ultrasonic.` }; // prettier-ignore
  return { tool: 'water and brush', known, why: say`It bursts in the water; a brush takes the rest.` };
}

/** Shares of gold and copper between which it orders as it cools slowly, and turns brittle (handbook 08). */
const GOLD = [0.5, 0.88] as const;
const COPPER_OF_REST = 0.5;

/** Whether an alloy of gold is so rich in copper that it may not be left to cool; undefined when its make-up is not known. */
export function ordersWhenSlow(composition: Composition): boolean | undefined {
  const { Au = 0, Cu = 0 } = composition;
  const rest = Object.values(composition).reduce((a, b) => a + b, 0) - Au;
  if (Object.keys(composition).length === 0) return undefined;
  return Au >= GOLD[0] && Au <= GOLD[1] && rest > 0 && Cu / rest > COPPER_OF_REST;
}

/** Whether acid eats it: more zinc and aluminium than anything (handbook 08); undefined when its make-up is not known. */
export function takesNoAcid(composition: Composition): boolean | undefined {
  if (Object.keys(composition).length === 0) return undefined;
  const all = Object.values(composition).reduce((a, b) => a + b, 0);
  return ((composition.Zn ?? 0) + (composition.Al ?? 0)) / all > 0.5;
}

/** When it met the water, against the alloy's own wait; nothing while that was not noted. min */
export function judgeQuench(
  afterMin: number | undefined,
  wait: { least: number; most: number },
  orders: boolean | undefined,
): Judgement[] {
  if (afterMin === undefined) return [];
  const why = say`After ${quantity(afterMin, 'min', 0)}; ${quantity(wait.least, 'min', 0)} to ${quantity(wait.most, 'min', 0)} is its wait.`;
  if (afterMin < wait.least)
    return [{ rule: 'quenched', weight: 'watch', lead: 'Quenched soon.', why: [...why, ' It may crack, or tear where it was not solid.'] }]; // prettier-ignore
  if (afterMin > wait.most)
    return [
      {
        rule: 'quenched',
        weight: 'watch',
        lead: 'Quenched late.',
        why: [...why, orders ? ' Gold so rich in copper turns brittle as it cools slowly: anneal and quench it before it is worked.' : ' The flask may not burst; what stays in comes out by jet or ultrasonic.'], // prettier-ignore
      },
    ];
  return [{ rule: 'quenched', weight: 'ok', lead: 'Quenched in its time.', why }];
}
