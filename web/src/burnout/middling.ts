/** A kiln and a casting temperature to time a programme with where there is no pour: each pour counts with its own. */
export const MIDDLING = { castingC: 510, kiln: { maxRampCPerH: 400, coolTauH: 4 } };
