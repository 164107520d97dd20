import { applyChanges, type FieldChange } from '../change';
import { POUR_VERSION, type PourDoc } from '../pourDoc';
import { castWax, countOf, byName, namesOfCastings, namesOfPrints } from './pieceNames';
import { defined, list, tree, type Tree } from './tree';
import { handOf, namesOfHands, sizeOfLine, type AroundPour } from './version2';

type Change = Pick<FieldChange, 'path' | 'value'>;
const change = (path: readonly string[], value: unknown): Change => ({
  path: [...path],
  value: (value ?? null) as FieldChange['value'],
});

/** Names that the numbers of version 1 had, by the document as it stands when the change is made. */
function namesIn(doc: PourDoc) {
  const { brief, print, clean } = doc;
  const numbered = { lines: brief.lines, spares: print.spares, castsWax: castWax(brief as unknown as Tree) };
  return {
    prints: namesOfPrints(numbered),
    castings: namesOfCastings({ ...numbered, verdicts: (clean.pieces ?? {}) as Tree }),
    last: brief.lines.at(-1)?.key ?? 'l1',
  };
}

/** The brief's list as it was sent whole: a line keeps its key while its pattern stays. */
function linesFrom(value: unknown, doc: PourDoc): unknown[] {
  const left = [...doc.brief.lines];
  const taken = new Set(left.map(({ key }) => key));
  return list(value).map((line) => {
    const at = left.findIndex(({ patternId }) => patternId === line['patternId']);
    const [same] = at < 0 ? [] : left.splice(at, 1);
    let n = 1;
    while (!same && taken.has(`l${n}`)) n++;
    const key = same?.key ?? `l${n}`;
    taken.add(key);
    return { ...same, key, patternId: line['patternId'], count: countOf(line) };
  });
}

/** One field of a record by number, or the record whole. */
function ofPieces(
  at: readonly string[],
  rest: readonly string[],
  value: unknown,
  names: readonly string[],
  last: string,
): Change {
  const [number, ...below] = rest;
  if (number === undefined) return change(at, value === null ? null : byName(value, names, last));
  const [name] = Object.keys(byName({ [number]: null }, names, last));
  return change([...at, name!, ...below], value);
}

/** What was said of a pattern is said of every line that has it. */
function ofLines(
  doc: PourDoc,
  field: string,
  [patternId, ...below]: readonly string[],
  value: unknown,
): Change[] {
  if (patternId === undefined)
    return Object.entries(tree(value)).flatMap(([id, of]) => ofLines(doc, field, [id], of));
  return doc.brief.lines
    .filter((line) => line.patternId === patternId)
    .map(({ key }) => change(['wayUp', 'lines', key, field, ...below], value));
}

const STANDING: Readonly<Record<string, string>> = { rotations: 'rotation', gates: 'gates', clean: 'clean' };

function ofWayUp(doc: PourDoc, [field = '', ...rest]: readonly string[], value: unknown): Change[] {
  if (field === 'supported')
    return doc.brief.lines.map(({ key, patternId }) =>
      change(
        ['wayUp', 'lines', key, 'supported'],
        Array.isArray(value) && value.includes(patternId) ? true : null,
      ),
    );
  const now = STANDING[field];
  return now ? ofLines(doc, now, rest, value) : [];
}

/**
 * A change that was typed into version 1, as changes of the present document; none for what is no longer kept in it. `doc`
 * is the document that it is made over.
 */
function upgradeFromVersion1({ path, value }: Change, doc: PourDoc, around: AroundPour): Change[] {
  const [stage = '', field = '', ...rest] = path;
  const flask = ['flasks', doc.flasks[0]?.key ?? 'f1'];
  const names = namesIn(doc);
  switch (`${stage} ${field}`) {
    case 'brief patterns':
      return [change(['brief', 'lines'], linesFrom(value, doc))];
    case 'brief sizes':
      return [
        change(
          path,
          list(value).map((size) => sizeOfLine(size, doc.brief.lines)),
        ),
      ];
    case 'print pieces':
      return [ofPieces(['print', 'pieces'], rest, value, names.prints, names.last)];
    case 'clean pieces':
      return [ofPieces(['clean', 'pieces'], rest, value, names.prints, names.last)];
    case 'result castings':
      return [ofPieces(['result', 'castings'], rest, value, names.castings, names.last)];
    case 'burnout hands': {
      const hands = namesOfHands(defined({ segments: doc.burnout.segments }), around);
      return rest[0] === undefined ? [] : [change(['burnout', 'hands', handOf(rest[0], hands)], value)];
    }
  }
  if (stage === 'wayUp') return ofWayUp(doc, [field, ...rest], value);
  if (stage === 'sprue' || stage === 'pour') return [change([...flask, ...path], value)];
  return [change(path, value)];
}

/** A change of any version as changes of the present one, over the document as it stands. */
function upgradeChange(given: FieldChange, doc: PourDoc, around: AroundPour): FieldChange[] {
  if ((given.version ?? 1) >= POUR_VERSION) return [given];
  return upgradeFromVersion1(given, doc, around).map((made) => ({ ...made, version: POUR_VERSION }));
}

/** Changes of any version as changes of the present one, each over what those before it made of the document. */
export function upgradeChanges(
  changes: readonly FieldChange[],
  doc: PourDoc,
  around: AroundPour = {},
): FieldChange[] {
  let over = doc;
  return changes.flatMap((change) => {
    const upgraded = upgradeChange(change, over, around);
    over = applyChanges(over, upgraded) as PourDoc;
    return upgraded;
  });
}
