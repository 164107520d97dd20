/** How far the casting is to be finished (handbook 01, "Brief"). */
export const FINISHES = ['as cast', 'one face', 'full', 'left to the customer'] as const;
export type Finish = (typeof FINISHES)[number];

/** Ways from print to metal (handbook 06). */
export const ROUTES = [
  'burn out the print',
  'wax from a rubber mold',
  'wax from a silicone mold',
  'wax from a printed mold',
] as const;
export type Route = (typeof ROUTES)[number];

/** Wax from a mold goes into the flask, not the print. */
export const castsWax = (route: Route): boolean => route !== 'burn out the print';

/** Stages of a pour in the order of work, with the key of the number row that opens each (handbook 00). */
export const STAGES = [
  { key: 'brief', name: 'Brief', shortcut: '1' },
  { key: 'pattern', name: 'Pattern', shortcut: '2' },
  { key: 'resin', name: 'Resin', shortcut: '3' },
  { key: 'wayUp', name: 'Way up', shortcut: '4' },
  { key: 'scale', name: 'Scale', shortcut: '5' },
  { key: 'print', name: 'Print', shortcut: '6' },
  { key: 'clean', name: 'Clean', shortcut: '7' },
  { key: 'sprue', name: 'Sprue', shortcut: '8' },
  { key: 'invest', name: 'Invest', shortcut: '9' },
  { key: 'burnout', name: 'Burnout', shortcut: '0' },
  { key: 'pour', name: 'Pour', shortcut: '-' },
  { key: 'result', name: 'Result', shortcut: '=' },
] as const;
export type StageKey = (typeof STAGES)[number]['key'];
