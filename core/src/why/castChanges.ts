import type { Change } from './rankCauses';

/**
 * What can be done about the causes of castings' flaws, one at a time, and how likely a flaw comes again when it is done
 * (shop defaults). Cost: 1 is a setting or a habit, 2 an hour or a file, 3 material or metal.
 */
export const CAST_CHANGES = [
  { key: 'hold longer', words: 'Two hours longer at the top of the burnout', cost: 1, recurs: { 'core short': 0.2, 'peak low': 0.6, 'no air': 0.6, 'stale vat': 0.7, residue: 0.7, drain: 0.6 } }, // prettier-ignore
  { key: 'peak up', words: 'The peak 30 °C higher, below the powder’s ceiling', cost: 1, recurs: { 'peak low': 0.2, 'core short': 0.45, 'no air': 0.75 } }, // prettier-ignore
  { key: 'air', words: 'Air through the kiln, and the flask turned button up for the last hours', cost: 1, recurs: { 'no air': 0.2, 'core short': 0.6, drain: 0.7 } }, // prettier-ignore
  { key: 'fresh resin', words: 'Fresh resin in the vat', cost: 3, recurs: { 'stale vat': 0.15, tacky: 0.6 } },
  { key: 'clean longer', words: 'A clean last bath, dried whole, and cured by the protocol', cost: 1, recurs: { residue: 0.2, tacky: 0.2, 'print water': 0.2, 'stale vat': 0.7, 'not dusted': 0.7 } }, // prettier-ignore
  { key: 'dust off', words: 'Patterns looked at under a lens and dusted off before investing', cost: 1, recurs: { 'not dusted': 0.15, tacky: 0.55, 'loose rim': 0.75 } }, // prettier-ignore
  { key: 'dry slowly', words: 'A longer hold below 150 °C before the ramp', cost: 1.5, recurs: { 'wet ramp': 0.2, damp: 0.3, ceiling: 0.85, moved: 0.7 } }, // prettier-ignore
  { key: 'slower swell', words: 'Half the ramp from 150 to 400 °C', cost: 1.5, recurs: { swell: 0.2, thick: 0.45, ordinary: 0.6, fragile: 0.7 } }, // prettier-ignore
  { key: 'below ceiling', words: 'The peak below the powder’s ceiling', cost: 1, recurs: { ceiling: 0.15 } },
  { key: 'flask cooler', words: 'The flask 30 °C cooler', cost: 1, recurs: { 'flask hot': 0.25, feed: 0.75, 'metal hot': 0.7 } }, // prettier-ignore
  { key: 'flask hotter', words: 'The flask 30 °C hotter', cost: 1, recurs: { 'flask cool': 0.25, margin: 0.5, 'metal cool': 0.6, gate: 0.6 } }, // prettier-ignore
  { key: 'metal cooler', words: 'The metal 20 °C cooler', cost: 1, recurs: { 'metal hot': 0.25, 'flask hot': 0.75, reused: 0.75 } }, // prettier-ignore
  { key: 'metal hotter', words: 'The metal 20 °C hotter', cost: 1, recurs: { 'metal cool': 0.25, margin: 0.6, 'flask cool': 0.65, 'two goes': 0.8 } }, // prettier-ignore
  { key: 'weigh the mix', words: 'Powder and water weighed, and written down', cost: 1, recurs: { ratio: 0.15, lumps: 0.8 } }, // prettier-ignore
  { key: 'vacuum in time', words: 'Both vacuum steps by the clock, the last over before the working time ends', cost: 1, recurs: { vacuum: 0.2, 'late mix': 0.4, 'cup down': 0.75 } }, // prettier-ignore
  { key: 'smaller bowl', words: 'Cooler water, or a smaller bowl, so that it is poured in time', cost: 1, recurs: { 'late mix': 0.2, vacuum: 0.6 } }, // prettier-ignore
  { key: 'sieve', words: 'Powder sieved, water first, mixed without lumps', cost: 1, recurs: { lumps: 0.2 } },
  { key: 'turn on tree', words: 'Turned on the tree so that no cup faces down', cost: 1.5, recurs: { 'cup down': 0.15, vacuum: 0.7 } }, // prettier-ignore
  { key: 'additive', words: 'Boric acid in the mix, as the powder bears', cost: 1.5, recurs: { fragile: 0.3, 'poured hard': 0.55, 'sharp joint': 0.7 } }, // prettier-ignore
  {
    key: 'open file',
    words: 'The slot or letter wider in the file',
    cost: 2,
    recurs: { fragile: 0.2, print: 0.4 },
  },
  { key: 'round joints', words: 'Joints filled and rounded with wax', cost: 1, recurs: { 'sharp joint': 0.15, fragile: 0.8, joint: 0.4 } }, // prettier-ignore
  { key: 'pour gently', words: 'Poured without a fall onto thin walls', cost: 1, recurs: { 'poured hard': 0.2, fragile: 0.7, 'two goes': 0.6 } }, // prettier-ignore
  { key: 'one go', words: 'The crucible close, and poured in one go', cost: 1, recurs: { 'two goes': 0.2, 'poured hard': 0.8 } }, // prettier-ignore
  { key: 'clean rim', words: 'The flask’s rim scraped, and blown out before the pour', cost: 1, recurs: { 'loose rim': 0.2, leak: 0.3 } }, // prettier-ignore
  {
    key: 'resin powder',
    words: 'A powder made for resin',
    cost: 3,
    recurs: { ordinary: 0.2, thick: 0.6, swell: 0.6 },
  },
  {
    key: 'hollow',
    words: 'Thick resin hollowed or vented in the file',
    cost: 2.5,
    recurs: { thick: 0.2, swell: 0.6 },
  },
  { key: 'let stand', words: 'Left to set untouched for its whole time, and burnt out within a day', cost: 1, recurs: { moved: 0.2 } }, // prettier-ignore
  { key: 'gate larger', words: 'A thicker gate, at the thickest place', cost: 1.5, recurs: { feed: 0.2, gate: 0.25, margin: 0.6, drain: 0.3 } }, // prettier-ignore
  { key: 'gate more', words: 'One more gate at what fills last', cost: 1.5, recurs: { margin: 0.25, gate: 0.3, feed: 0.5 } }, // prettier-ignore
  {
    key: 'gasket',
    words: 'Gasket looked over, rim flat, vacuum read before the pour',
    cost: 1,
    recurs: { leak: 0.15 },
  },
  { key: 'button', words: 'A larger button', cost: 2, recurs: { button: 0.2, feed: 0.7 } },
  {
    key: 'new metal',
    words: 'All new metal',
    cost: 3,
    recurs: { reused: 0.15, 'metal hot': 0.8, flux: 0.75 },
  },
  { key: 'flux', words: 'A pinch of flux, and a flame or gas over the melt', cost: 1, recurs: { flux: 0.2, reused: 0.7 } }, // prettier-ignore
  {
    key: 'wait longer',
    words: 'Five minutes longer before the water',
    cost: 1,
    recurs: { 'quench soon': 0.2 },
  },
  { key: 'quench sooner', words: 'Into the water as soon as its least wait is over', cost: 1, recurs: { 'quench late': 0.15 } }, // prettier-ignore
  {
    key: 'sort prints',
    words: 'Only prints that are right go into the flask',
    cost: 1.5,
    recurs: { print: 0.15 },
  },
  {
    key: 'cool store',
    words: 'Patterns kept cool, and cast within days',
    cost: 1,
    recurs: { warm: 0.2, joint: 0.7 },
  },
  { key: 'stiff joints', words: 'Joints welded through, hung straight', cost: 1, recurs: { joint: 0.2, 'sharp joint': 0.6 } }, // prettier-ignore
] as const satisfies readonly Change[];
export type CastChangeKey = (typeof CAST_CHANGES)[number]['key'];
