import { defined, isTree, tree, without, type Tree } from './tree';

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
export function upgradeFirst(doc: Tree): Tree {
  return {
    ...doc,
    brief: manySizes(tree(doc['brief'])),
    scale: ownTogether(tree(doc['scale'])),
    result: sizesOfCastings(tree(doc['result'])),
  };
}
