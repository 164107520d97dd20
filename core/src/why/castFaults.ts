import type { FlawKind } from '../result';
import { cause, test } from './causeParts';
import type { Cause, Fault } from './rankCauses';

/**
 * Flaws of castings with their usual causes (handbook 08, "Why"). Priors and how well each sign tells are shop defaults; a
 * shop's own confirmations move the priors. A cause has one key wherever it is named, so that one change answers it
 * everywhere; `fromPrint` are those that the print's own record explains.
 */

/* Signs that many causes share: what each says is the same everywhere. */
const STALE = test('vat old', 0.7, 0.2);
const FRAGILE = [
  test('fragile there', 0.75, 0.25, 'fragile'),
  test('in a hollow or slot', 0.6, 0.2, 'fragile'),
];
const HARD = test('poured hard', 0.6, 0.2);
const SHARP = test('sharp joint', 0.6, 0.25);
const FLASK_HOT = [test('flask hot', 0.7, 0.2, 'flask'), test('froze late', 0.65, 0.15, 'flask')];
const METAL_HOT = test('metal hot', 0.7, 0.2);
const FLASK_COOL = [
  test('froze early', 0.6, 0.12, 'cool'),
  test('flask cool', 0.7, 0.2, 'cool'),
  test('cold at the patterns', 0.7, 0.2, 'cool'),
];
const METAL_COOL = test('metal cool', 0.7, 0.2);
const RATIO = [test('water ÷ powder off', 0.65, 0.2, 'ratio'), test('ratio outside the powder’s', 0.65, 0.15, 'ratio')]; // prettier-ignore
const VACUUM = [test('vacuum steps late', 0.65, 0.2, 'vacuum'), test('vacuum step left out', 0.6, 0.1, 'vacuum')]; // prettier-ignore
const LATE_MIX = test('gloss-off out of its time', 0.6, 0.2);
const ALL_ALIKE = test('same place on all', 0.85, 0.3);
const GATE = [
  test('gate thin', 0.6, 0.2, 'gate'),
  test('fed badly', 0.6, 0.25, 'gate'),
  test('far from a gate', 0.6, 0.3, 'where'),
];
const MARGIN = test('fill margin low', 0.75, 0.2);
const PRINTED = test('flawed as printed', 0.9, 0.15);

/* Causes that stand behind several flaws. */
const flaskHot = (prior: number): Cause => cause('flask hot', 'flask too hot', prior, ...FLASK_HOT);
const metalHot = (prior: number): Cause => cause('metal hot', 'metal too hot', prior, METAL_HOT);
const ratioHigh = (prior: number): Cause =>
  cause('ratio', 'mixed at another ratio than planned', prior, ...RATIO);
const fragile = (prior: number, where: string): Cause => cause('fragile', `investment broke: ${where}`, prior, ...FRAGILE); // prettier-ignore
const pouredHard = (prior: number): Cause => cause('poured hard', 'poured hard', prior, HARD);
const sharpJoint = (prior: number): Cause => cause('sharp joint', 'a sharp joint broke off', prior, SHARP);
const airHeld = (prior: number): Cause =>
  cause('vacuum', 'air stayed in the mix: vacuum late or missed', prior, ...VACUUM);

export const CAST_FAULTS = [
  {
    key: 'ash pitting',
    name: 'Ash pitting',
    causes: [
      cause('core short', 'burnt out too short at the core', 0.28, test('core clean-out short', 0.8, 0.2)),
      cause('peak low', 'peak too low', 0.1, test('peak low', 0.75, 0.1)),
      cause('no air', 'no air: kiln closed, button down to the end', 0.14, test('no air', 0.65, 0.3)),
      cause('stale vat', 'stale resin in the vat', 0.12, STALE),
      cause(
        'residue',
        'residue on the print, or cured too long',
        0.12,
        test('washed short', 0.6, 0.25, 'print'),
        test('cured long', 0.55, 0.2, 'print'),
        test('looked tacky or dark', 0.6, 0.15, 'print'),
      ),
      cause('drain', 'resin could not drain: narrow gates', 0.08, test('gate thin', 0.5, 0.2)),
    ],
  },
  {
    key: 'sand-like roughness',
    name: 'Sand-like roughness',
    causes: [
      cause('wet ramp', 'heated too fast while wet', 0.24, test('steam against a hot rim', 0.7, 0.25)),
      flaskHot(0.18),
      metalHot(0.15),
      cause('ceiling', 'above the powder’s ceiling', 0.13, test('hotter than the powder bears', 0.8, 0.1)),
      ratioHigh(0.12),
    ],
  },
  {
    key: 'fin or flash',
    name: 'Fin or flash',
    causes: [
      cause('swell', 'resin swelled in a fast ramp', 0.28, test('swell too fast', 0.75, 0.2)),
      cause('thick', 'thick resin', 0.14, test('thick resin', 0.7, 0.3)),
      cause('ordinary', 'powder not made for resin', 0.12, test('ordinary powder', 0.75, 0.25)),
      ratioHigh(0.1),
      cause(
        'moved',
        'flask moved or heated before it had set, or dried out',
        0.2,
        test('not set long enough, or too long', 0.65, 0.2),
        test('flask knocked', 0.5, 0.08),
      ),
    ],
  },
  {
    key: 'broken-away detail',
    name: 'Broken-away detail, inclusion',
    causes: [
      fragile(0.28, 'a thin wall of it'),
      sharpJoint(0.16),
      cause(
        'loose rim',
        'loose rim of the flask',
        0.12,
        test('on the rim', 0.4, 0.15, 'rim'),
        test('rim not scraped', 0.5, 0.25, 'rim'),
      ),
      pouredHard(0.16),
      cause('lumps', 'lumps in the powder', 0.08, test('mix not sieved', 0.55, 0.3)),
    ],
  },
  {
    key: 'debris cast in',
    name: 'Debris cast in',
    causes: [
      cause(
        'tacky',
        'the skin stayed tacky and held dust',
        0.42,
        test('looked tacky or dark', 0.75, 0.12, 'skin'),
        test('washed short', 0.55, 0.25, 'skin'),
        test('cured short', 0.6, 0.2, 'skin'),
        STALE,
      ),
      cause('not dusted', 'not dusted off', 0.28, test('dusting not noted', 0.7, 0.3)),
      cause(
        'loose rim',
        'loose rim of the flask',
        0.1,
        test('on the rim', 0.4, 0.15, 'rim'),
        test('rim not scraped', 0.5, 0.25, 'rim'),
      ),
    ],
  },
  {
    key: 'nodule',
    name: 'Nodule',
    causes: [
      airHeld(0.42),
      cause(
        'cup down',
        'a cup that faces down held air',
        0.22,
        test('cup faces down', 0.8, 0.2, 'place'),
        test('in a hollow or slot', 0.6, 0.25, 'place'),
      ),
      cause('late mix', 'mixed or poured past its time', 0.18, LATE_MIX),
    ],
  },
  {
    key: 'bubble beads',
    name: 'Bubble beads',
    causes: [
      airHeld(0.45),
      cause('late mix', 'mixed or poured past its time', 0.22, LATE_MIX),
      cause('print water', 'wet or greasy print', 0.1, test('dried short', 0.5, 0.2)),
    ],
  },
  {
    key: 'misrun',
    name: 'Misrun, short',
    causes: [
      cause('leak', 'vacuum leaked: rim not scraped, gasket', 0.16, test('vacuum low', 0.7, 0.1, 'pull'), test('vacuum not held', 0.75, 0.1, 'pull')), // prettier-ignore
      cause('margin', 'too thin to fill as it was gated', 0.22, MARGIN, test('at a tip', 0.6, 0.25)),
      cause('flask cool', 'flask too cool', 0.2, ...FLASK_COOL),
      cause('gate', 'gate small or far', 0.14, ...GATE),
      cause('metal cool', 'metal too cool', 0.14, METAL_COOL),
    ],
  },
  {
    key: 'cold shut',
    name: 'Cold shut',
    causes: [
      cause('metal cool', 'metal too cool', 0.26, METAL_COOL),
      cause('flask cool', 'flask too cool', 0.24, ...FLASK_COOL),
      cause('margin', 'too thin to fill as it was gated', 0.16, MARGIN),
      cause('two goes', 'the stream broke: spilled, or two goes', 0.18, test('spilled', 0.6, 0.08)),
    ],
  },
  {
    key: 'shrinkage dent or sponge',
    name: 'Shrinkage dent or sponge',
    causes: [
      cause('feed', 'not fed: the gate froze first', 0.4, test('fed badly', 0.8, 0.2), test('at a thick place', 0.6, 0.25)), // prettier-ignore
      flaskHot(0.18),
      metalHot(0.16),
      cause('button', 'button too small', 0.1, test('charge short', 0.6, 0.12)),
    ],
  },
  {
    key: 'gas pores',
    name: 'Gas pores',
    causes: [
      metalHot(0.22),
      cause('reused', 'metal reused too often', 0.22, test('metal reused much', 0.7, 0.2)),
      cause('flux', 'no flux', 0.14, test('no flux', 0.7, 0.3)),
      cause('damp', 'damp mold', 0.08, test('steam against a hot rim', 0.4, 0.25)),
      cause('core short', 'flask not burnt clean', 0.16, test('core clean-out short', 0.75, 0.2)),
    ],
  },
  {
    key: 'metal in lettering',
    name: 'Letters closed by metal',
    causes: [
      fragile(0.45, 'an island in a letter'),
      cause('print', 'closed up as printed', 0.32, PRINTED, ALL_ALIKE),
    ],
  },
  {
    key: 'investment fallen in',
    name: 'Investment fallen in',
    causes: [fragile(0.42, 'near a cup, a horn’s tip or a slot'), pouredHard(0.2), sharpJoint(0.18)],
  },
  {
    key: 'rough rim',
    name: 'Rough rim',
    causes: [
      cause('cup down', 'an edge that faces down held air', 0.32, test('cup faces down', 0.7, 0.25)),
      airHeld(0.26),
      cause('print', 'the print’s own rim: steps, marks', 0.26, PRINTED, ALL_ALIKE),
    ],
  },
  {
    key: 'layer lines',
    name: 'Layer lines',
    causes: [cause('print', 'from the print', 0.85, test('flawed as printed', 0.7, 0.2))],
  },
  {
    key: 'distorted',
    name: 'Distorted',
    causes: [
      cause('print', 'from the print', 0.4, PRINTED, ALL_ALIKE),
      cause('warm', 'pattern stored warm or long', 0.2, test('uncured long', 0.5, 0.25)),
      cause('joint', 'a wax joint sagged', 0.2, test('joint in doubt', 0.6, 0.2)),
    ],
  },
  {
    key: 'cracked',
    name: 'Cracked',
    causes: [
      cause('quench soon', 'quenched too soon', 0.34, test('quenched soon', 0.75, 0.15)),
      cause('quench late', 'copper-rich gold left to cool: it orders and turns brittle', 0.16, test('quenched late', 0.8, 0.15)), // prettier-ignore
      cause('print', 'cracked as printed', 0.2, PRINTED),
      cause('reused', 'metal reused too often', 0.1, test('metal reused much', 0.6, 0.25)),
    ],
  },
] as const satisfies readonly (Fault & { key: FlawKind })[];

/** Names of all signs that any of these causes looks at. */
export const CAST_SIGNS: ReadonlySet<string> = new Set(
  CAST_FAULTS.flatMap(({ causes }) => causes.flatMap(({ tests }) => tests.map(({ sign }) => sign))),
);
