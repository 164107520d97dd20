import { handNames, type Segment } from '@zero-pour/core';
import {
  byName,
  castWax,
  nameLines,
  namesOfCastings,
  namesOfPrints,
  type Numbering,
  type NumberedLine,
} from './pieceNames';
import { defined, list, tree, without, type Tree } from './tree';

/** What a document alone does not say, and its upgrade needs. */
export interface AroundPour {
  /** Segments of the programme that it names, where the pour has none of its own. */
  segments?: unknown;
}

/** Name of the moment of each number, through the segments in order. */
export function namesOfHands(burnout: Tree, { segments }: AroundPour): string[] {
  const own = list(burnout['segments'] ?? segments);
  return handNames(
    own.map((segment) => ({
      name: String(segment['name']),
      hands: list(segment['hands']) as unknown as Segment['hands'],
    })),
  ).flat();
}

/** A moment whose programme is not known keeps a name that tells which one it was. */
export const handOf = (number: string, names: readonly string[]): string =>
  names[Number(number)] ?? `moment ${Number(number) + 1}`;

/** How each line stands and is gated: of its pattern, before lines had names. */
export function standingOf(wayUp: Tree, lines: readonly (NumberedLine & { patternId: unknown })[]): Tree {
  const entries = lines.map(({ key, patternId }): [string, Tree] => {
    const of = (field: string): unknown => tree(wayUp[field])[String(patternId)];
    const supported = Array.isArray(wayUp['supported']) && wayUp['supported'].includes(patternId);
    return [
      key,
      defined({
        rotation: of('rotations'),
        gates: of('gates'),
        clean: of('clean'),
        supported: supported || undefined,
      }),
    ];
  });
  return { lines: Object.fromEntries(entries.filter(([, standing]) => Object.keys(standing).length > 0)) };
}

/** A wanted size is one of a line. */
export function sizeOfLine(size: Tree, lines: readonly { key: string; patternId: unknown }[]): Tree {
  if (!('patternId' in size)) return size;
  const line = lines.find(({ patternId }) => patternId === size['patternId']);
  return { ...without(size, 'patternId'), lineKey: line?.key ?? null };
}

/**
 * Version 2 names what version 1 numbered: lines of the brief, pieces, hands-on moments; tree and pour belong to a flask;
 * what the layers say is no longer kept in it.
 */
export function upgradeToVersion2(doc: Tree, around: AroundPour): Tree {
  const brief = tree(doc['brief']);
  const lines = nameLines(brief);
  const [print, clean, result, burnout] = ['print', 'clean', 'result', 'burnout'].map((key) =>
    tree(doc[key]),
  ) as [Tree, Tree, Tree, Tree];
  const last = lines.at(-1)?.key ?? 'l1';
  const numbered = { lines, spares: Math.max(0, Number(print['spares']) || 0), castsWax: castWax(brief) };
  const prints = namesOfPrints(numbered);
  const verdicts = byName(clean['pieces'], prints, last);
  const numbering: Numbering = { ...numbered, verdicts };
  const hands = namesOfHands(burnout, around);
  return {
    ...without(doc, 'sprue', 'pour'),
    version: 2,
    brief: {
      ...without(brief, 'patterns'),
      lines,
      sizes: list(brief['sizes']).map((size) => sizeOfLine(size, lines)),
    },
    wayUp: standingOf(tree(doc['wayUp']), lines),
    print: { ...print, pieces: byName(print['pieces'], prints, last) },
    clean: 'pieces' in clean ? { ...clean, pieces: verdicts } : clean,
    burnout: {
      ...burnout,
      hands: Object.fromEntries(
        Object.entries(tree(burnout['hands'])).map(([number, at]) => [handOf(number, hands), at]),
      ),
    },
    flasks: [{ key: 'f1', sprue: tree(doc['sprue']), pour: tree(doc['pour']) }],
    result: { ...result, castings: byName(result['castings'], namesOfCastings(numbering), last) },
    happenings: [],
  };
}
