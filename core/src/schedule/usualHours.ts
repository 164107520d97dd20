/** Kinds of work that people differ in. */
export const WORK_SKILLS = [
  'print',
  'clean',
  'mold',
  'sprue',
  'invest',
  'burnout',
  'pour',
  'finish',
] as const;
export type WorkSkill = (typeof WORK_SKILLS)[number];

/** How long hands are at a piece of work where the shop has said nothing else, min (shop defaults). */
export const USUAL_MINUTES = {
  /** Warming and shaking a bottle; most of it stands in its bath. */
  warm: 30,
  /** Setting up a plate and seeing its first layers. */
  startPrint: 15,
  /** Joining sprues and weighing, a flask. */
  sprue: 60,
  /** From the powder to gloss-off with setting up, a bowl. */
  invest: 45,
  /** Loading a kiln; turning a flask, or whatever else is done at its door. */
  kilnHand: 15,
  /** Melting, so that the metal is ready at zero. */
  melt: 30,
  /** Pouring, a flask. */
  pour: 15,
  /** Opening a flask in water, or by breaking it out. */
  quench: 15,
  divest: 30,
  /** Cutting off and first cleaning, a flask. */
  finish: 45,
} as const;
export type WorkMinutes = Partial<Record<keyof typeof USUAL_MINUTES, number>>;

/** Hands at a bottle that warms. min */
export const WARM_HANDS_MIN = 5;
/** Set time when no powder is chosen, h (handbook 07). */
export const SET_H = 2;
/** A step that takes longer is a wrong number, h: nothing is counted back over months (shop default). */
export const LONGEST_STEP_H = 14 * 24;
