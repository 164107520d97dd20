/** A JSON object of unknown shape. */
type Tree = Record<string, unknown>;
const isTree = (value: unknown): value is Tree =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const tree = (value: unknown): Tree => (isTree(value) ? value : {});

const without = (from: Tree, ...keys: string[]): Tree =>
  Object.fromEntries(Object.entries(from).filter(([key]) => !keys.includes(key)));
const defined = (from: Tree): Tree =>
  Object.fromEntries(Object.entries(from).filter(([, value]) => value !== undefined && value !== null));

/** The brief's one size became the first of many. */
function manySizes(brief: Tree): Tree {
  if ('sizes' in brief) return brief;
  const held = brief['holdSize'];
  const sizes = isTree(held)
    ? [
        {
          ...defined({
            key: 'held',
            name: held['surface'] === 'inner' ? 'Bore' : 'Size',
            of: held['surface'] === 'inner' ? 'bore' : 'outside',
            finishedMm: held['mm'],
            toleranceMm: held['toleranceMm'],
            ring: held['ring'],
            holds: true,
          }),
          patternId: null,
        },
      ]
    : [];
  return { ...without(brief, 'holdSize'), sizes };
}

/** Own values of the chain's steps stand together. */
function ownTogether(scale: Tree): Tree {
  if ('own' in scale) return scale;
  const own = defined({
    resin: scale['resinPercent'],
    investment: scale['investmentPercent'],
    metal: scale['metalPercent'],
  });
  return { ...without(scale, 'resinPercent', 'investmentPercent', 'metalPercent'), own };
}

/** What was measured of a casting was measured when it was finished. */
function sizesOfCasting(casting: unknown): unknown {
  if (!isTree(casting) || !('measuredMm' in casting)) return casting;
  return { ...without(casting, 'measuredMm'), sizes: { held: { finished: casting['measuredMm'] } } };
}

function sizesOfCastings(result: Tree): Tree {
  const castings = Object.entries(tree(result['castings'])).map(([key, casting]) => [
    key,
    sizesOfCasting(casting),
  ]);
  return { ...result, castings: Object.fromEntries(castings) };
}

/** Version 1 was first written with one wanted size, and with the chain's own values each on its own. */
function upgradeFirst(doc: Tree): Tree {
  return {
    ...doc,
    brief: manySizes(tree(doc['brief'])),
    scale: ownTogether(tree(doc['scale'])),
    result: sizesOfCastings(tree(doc['result'])),
  };
}

/**
 * A pour's document of any version that was ever written, in the shape of the present one. Unchecked: the caller parses
 * it. What is no pour's document is handed back as it is, for the parser to refuse.
 */
export function upgradePour(json: unknown): unknown {
  if (!isTree(json) || json['version'] !== 1) return json;
  return isTree(json['brief']) && isTree(json['scale']) ? upgradeFirst(json) : json;
}

/** What a resin was said to hold, before resins said so themselves: the figures that were given to all of them then. */
const RESIN_BEFORE_LIMITS = { finestMm: 0.3, thickestMm: 4 };
const THICKEST_WAX_FREE_MM = 8;

/**
 * Copies of what a pour was made with, of any wording, in the present one. Unchecked, as above.
 */
export function upgradeUsed(json: unknown): unknown {
  if (!isTree(json) || !isTree(json['resin']) || 'finestMm' in json['resin']) return json;
  const thickest = json['resin']['family'] === 'wax-free' ? { thickestMm: THICKEST_WAX_FREE_MM } : {};
  return { ...json, resin: { ...RESIN_BEFORE_LIMITS, ...thickest, ...json['resin'] } };
}
