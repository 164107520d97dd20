import { cause, test } from './causeParts';
import type { Change, Fault } from './rankCauses';

/**
 * Faults of prints with their usual causes (handbook 04, "Print faults: why"). Priors and how well each sign tells are
 * shop defaults; a shop's own confirmations move the priors.
 */
const EXPOSURE_LOW = [
  test('exposure low', 0.7, 0.2, 'exposure'),
  test('profile untested', 0.6, 0.3, 'exposure'),
];
const ALIKE = test('all copies alike', 0.9, 0.35);
/** Prints that stand alike on one place in every copy: the file says so too. */
const IN_FILE = cause('file', 'the file itself', 0.12, ALIKE);
const COLD = test('resin cold', 0.7, 0.2);
const STALE = test('vat old', 0.7, 0.2);

export const PRINT_FAULTS = [
  {
    key: 'fell from plate',
    name: 'Fell from the plate',
    causes: [
      cause('base low', 'base exposed too little', 0.35, test('base low', 0.75, 0.2)),
      cause(
        'plate',
        'plate not level or not primed',
        0.25,
        test('not levelled', 0.7, 0.25),
        test('not primed', 0.6, 0.3),
      ),
      cause('load', 'hangs heavier than what held before', 0.2, test('load high', 0.75, 0.15)),
      cause('cold', 'cold resin', 0.1, COLD),
    ],
  },
  {
    key: 'base curled',
    name: 'Base curled, or hard to free',
    causes: [
      cause('base high', 'base exposed too much', 0.6, test('base high', 0.75, 0.2)),
      cause('raft thick', 'raft too thick', 0.25, test('raft thick', 0.7, 0.25)),
    ],
  },
  {
    key: 'parted from supports',
    name: 'Parted from its supports',
    causes: [
      cause('tips', 'tips too fine for the load', 0.35, test('load high', 0.7, 0.25)),
      cause('exposure low', 'exposed too little', 0.25, ...EXPOSURE_LOW),
      cause('cup', 'a suction cup above', 0.2, test('cups', 0.8, 0.15)),
      cause('cold', 'cold, thick resin', 0.08, COLD),
    ],
  },
  {
    key: 'same feature broke',
    name: 'All copies broke at the same feature',
    causes: [
      cause('exposure low', 'exposed too little for that size', 0.4, ...EXPOSURE_LOW),
      cause('too fine', 'finer than the resin holds', 0.38, test('thinner than resin', 0.85, 0.15)),
      IN_FILE,
    ],
  },
  {
    key: 'detail missing',
    name: 'Detail missing',
    causes: [
      cause('island', 'it begins in mid-air', 0.48, test('islands', 0.9, 0.2)),
      cause('support', 'its support is missing', 0.25, test('islands', 0.6, 0.3)),
      IN_FILE,
    ],
  },
  {
    key: 'hole closed',
    name: 'Hole or slot closed',
    causes: [
      cause('exposure high', 'too much light bleeds through', 0.4, test('exposure high', 0.7, 0.2)),
      IN_FILE,
      cause('wash short', 'resin cured in it: washed too little', 0.25, test('washed short', 0.8, 0.2)),
      cause('stale', 'thick, stale or cold resin', 0.1, STALE, COLD),
    ],
  },
  {
    key: 'sagged',
    name: 'Sagged, underside bowed, corners filled',
    causes: [
      cause('supports sparse', 'supports too far apart', 0.35, test('overhang much', 0.75, 0.3)),
      cause('exposure high', 'too much light bleeds through', 0.3, test('exposure high', 0.7, 0.2)),
      cause('cold', 'cold, thick resin', 0.15, COLD),
      cause('layer', 'layers too thick', 0.1, test('layer thick', 0.7, 0.3)),
    ],
  },
  {
    key: 'struts thin',
    name: 'Struts stand but thin',
    causes: [
      cause('exposure low', 'exposed too little', 0.5, ...EXPOSURE_LOW),
      cause('stale', 'stale or unshaken resin', 0.35, STALE),
    ],
  },
  {
    key: 'pinholes',
    name: 'Pinholes',
    causes: [
      cause('bits', 'bubbles or bits in the vat', 0.5, STALE),
      cause('layer', 'layers too thick', 0.2, test('layer thick', 0.7, 0.3)),
      cause('lift', 'lifted too fast', 0.15),
    ],
  },
  {
    key: 'pulled oval',
    name: 'Ring pulled oval',
    causes: [
      cause('one side', 'supported on one side only', 0.55),
      cause('peel', 'pulled hard at each layer', 0.3, test('peak high', 0.75, 0.25)),
    ],
  },
  {
    key: 'waves',
    name: 'Waves on the support side',
    causes: [
      cause('supports sparse', 'supports too far apart', 0.55, test('overhang much', 0.75, 0.3)),
      cause('exposure low', 'exposed too little', 0.3, ...EXPOSURE_LOW),
    ],
  },
  {
    key: 'ridge',
    name: 'Ridge at one height',
    causes: [
      cause(
        'pause',
        'a pause or knock at that height',
        0.5,
        test('paused', 0.9, 0.1),
        test('same height on all', 0.85, 0.3),
      ),
      cause('jump', 'the layers’ area jumps there', 0.3, test('area jumps', 0.8, 0.2)),
      cause('file', 'the file itself', 0.1, test('same height on all', 0.2, 0.6), ALIKE),
    ],
  },
  {
    key: 'cracked at cut',
    name: 'Cracked or pitted at the cut',
    causes: [
      cause('cut close', 'cut too close', 0.4, test('heavy tips', 0.7, 0.3)),
      cause('brittle', 'brittle resin', 0.3, test('cured first', 0.7, 0.3)),
    ],
  },
  {
    key: 'cracked on cure',
    name: 'Cracked on cure',
    causes: [
      cause('stored', 'stored uncured too long or too warm', 0.35, test('uncured long', 0.8, 0.2)),
      cause('light', 'too much light at once', 0.3, test('cured long', 0.7, 0.2)),
      cause('wet', 'sealed while wet inside', 0.2, test('dried short', 0.7, 0.25)),
    ],
  },
  {
    key: 'tacky',
    name: 'Tacky, dust sticks',
    causes: [
      cause('wash short', 'washed too little', 0.5, test('washed short', 0.8, 0.2)),
      cause('cure short', 'cured too little', 0.35, test('cured short', 0.8, 0.2)),
    ],
  },
] as const satisfies readonly Fault[];
export type PrintFaultKey = (typeof PRINT_FAULTS)[number]['key'];
export const PRINT_FAULT_KEYS = PRINT_FAULTS.map((fault) => fault.key) as [PrintFaultKey, ...PrintFaultKey[]];

/** What can be done differently with the next print; one at a time. */
export const PRINT_CHANGES: readonly Change[] = [
  {
    key: 'base up',
    words: 'Base exposure up a quarter',
    cost: 1,
    recurs: { 'base low': 0.2, cold: 0.6, load: 0.6, plate: 0.7 },
  },
  { key: 'base down', words: 'Base exposure down a fifth', cost: 1, recurs: { 'base high': 0.25 } },
  { key: 'level', words: 'Level and prime the plate', cost: 1, recurs: { plate: 0.2 } },
  { key: 'raft', words: 'A larger raft, or fewer parts', cost: 1.5, recurs: { load: 0.25, 'base low': 0.6 } },
  { key: 'raft thin', words: 'A thinner raft', cost: 1, recurs: { 'raft thick': 0.25 } },
  {
    key: 'exposure up',
    words: 'Exposure up a tenth',
    cost: 1,
    recurs: { 'exposure low': 0.25, 'too fine': 0.75, stale: 0.6, tips: 0.7 },
  },
  { key: 'exposure down', words: 'Exposure down a tenth', cost: 1, recurs: { 'exposure high': 0.3 } },
  { key: 'warm', words: 'Warm resin and room', cost: 1, recurs: { cold: 0.2, lift: 0.7 } },
  {
    key: 'supports',
    words: 'More and heavier supports',
    cost: 1.5,
    recurs: { tips: 0.25, support: 0.25, island: 0.35, 'supports sparse': 0.25, 'one side': 0.3 },
  },
  {
    key: 'turn',
    words: 'Another way up',
    cost: 2,
    recurs: { cup: 0.2, island: 0.3, jump: 0.4, peel: 0.3, 'supports sparse': 0.5 },
  },
  {
    key: 'thicken',
    words: 'Thicken the feature in the file',
    cost: 2.5,
    recurs: { 'too fine': 0.15, 'exposure low': 0.5 },
  },
  { key: 'mend file', words: 'Mend the file', cost: 2, recurs: { file: 0.1 } },
  {
    key: 'fresh',
    words: 'Fresh, shaken, filtered resin',
    cost: 1.5,
    recurs: { stale: 0.15, bits: 0.2, 'exposure low': 0.75 },
  },
  { key: 'thinner layer', words: 'Thinner layers', cost: 2, recurs: { layer: 0.3 } },
  { key: 'slower', words: 'Lift slower', cost: 1, recurs: { lift: 0.2, peel: 0.5, cup: 0.7 } },
  { key: 'no pause', words: 'Print it through without a pause', cost: 1, recurs: { pause: 0.15 } },
  {
    key: 'small bites',
    words: 'Leave a stub, small bites, then knife and file',
    cost: 1,
    recurs: { 'cut close': 0.2, brittle: 0.5 },
  },
  { key: 'wash', words: 'Wash longer, in a clean bath', cost: 1, recurs: { 'wash short': 0.15 } },
  { key: 'cure', words: 'Cure longer', cost: 1, recurs: { 'cure short': 0.15, light: 0.95 } },
  { key: 'dry', words: 'Dry longer before curing', cost: 1, recurs: { wet: 0.2 } },
  {
    key: 'cure sooner',
    words: 'Cure the same day, in short turns',
    cost: 1,
    recurs: { stored: 0.25, light: 0.4 },
  },
];
