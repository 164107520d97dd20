/** "coneDiameterMm" → "cone diameter mm". */
export const fieldWords = (key: string): string =>
  key.replace(
    /([a-z0-9])([A-Z])/g,
    (_, before: string, letter: string) => `${before} ${letter.toLowerCase()}`,
  );

/** The place of a field, in words: "pour › charge read". */
export const placeWords = (path: readonly PropertyKey[]): string =>
  path.map((key) => fieldWords(String(key))).join(' › ') || 'the whole';
