/** What to do so that a sign of a print is known next time, by the sign's name; said where it is not. */
const HOW: Readonly<Record<string, string>> = {
  'exposure low': 'write the maker’s seconds into the resin’s record',
  'exposure high': 'write the maker’s seconds into the resin’s record',
  'base low': 'write the maker’s base seconds into the resin’s record',
  'base high': 'write the maker’s base seconds into the resin’s record',
  'profile untested': 'choose a profile at Resin',
  'layer thick': 'choose a profile at Resin',
  'raft thick': 'choose a profile at Resin',
  'resin cold': 'read the vat’s warmth at Print',
  'vat old': 'note at the resin when the vat was filled',
  'not levelled': 'tick the checklist before the print',
  'not primed': 'count the priming coats at Print',
  'load high': 'open Way up once, so that the layers are cut',
  islands: 'open Way up once, so that the layers are cut',
  cups: 'open Way up once, so that the layers are cut',
  'overhang much': 'open Way up once, so that the layers are cut',
  'peak high': 'open Way up once, so that the layers are cut',
  'area jumps': 'note how high the flaws stand, and open Way up once',
  'thinner than resin': 'let the pattern be analysed',
  'same height on all': 'note how high the flaws stand on two pieces',
  paused: 'note pauses with their height',
  'all copies alike': 'say of two copies or more how they came off',
  'heavy tips': 'say how heavy the supports were',
  'cured first': 'time the steps of Clean',
  'uncured long': 'note when the print ended, and when it was cured',
  'cured long': 'time the cure',
  'cured short': 'time the cure',
  'washed short': 'time the baths',
  'dried short': 'time the drying',
};

/** What to do to know a sign; undefined for one that nobody can look up. */
export const howToKnow = (sign: string): string | undefined => HOW[sign];
