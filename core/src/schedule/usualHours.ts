/** Joining sprues and weighing; mixing to gloss-off with setting up (shop defaults), h. */
export const SPRUE_H = 1;
export const INVEST_H = 0.75;
/** Set time when no powder is chosen, h (handbook 07). */
export const SET_H = 2;
/** A step that takes longer is a wrong number, h: nothing is counted back over months (shop default). */
export const LONGEST_STEP_H = 14 * 24;
