/** Names of a pour's tasks at the kiln and the crucible. */
export const KILN_IN = 'kiln in';
export const MELT = 'melt';
export const ZERO = 'zero';
/** A kiln that runs already, until hands are next wanted. */
export const IN_KILN = 'in the kiln';
