import { Refusal, whyUnread } from '@zero-pour/contracts';
import { findNodeAtLocation, parseTree, printParseErrorCode, type ParseError } from 'jsonc-parser';
import type { z } from 'zod';

/** The refusal of a file, at the line and column of an offset. */
export function wrongAt(file: string, text: string, offset: number, why: string): Refusal {
  const before = text.slice(0, offset).split('\n');
  return new Refusal('FILE_WRONG', {
    file,
    line: String(before.length),
    column: String(before.at(-1)!.length + 1),
    why,
  });
}

const PARSE_WORDS: Record<string, string> = {
  InvalidSymbol: 'this is no JSON',
  UnexpectedEndOfString: 'a text begins here and does not end',
  PropertyNameExpected: 'the name of a field belongs here',
  ValueExpected: 'a value belongs here: the file may have been cut off',
  ColonExpected: 'a colon belongs here',
  CommaExpected: 'a comma belongs here',
  CloseBraceExpected: 'a closing brace belongs here: the file may have been cut off',
  CloseBracketExpected: 'a closing bracket belongs here: the file may have been cut off',
};

/** Nothing that is written by Zero Pour is nested deeper; the reader's own stack is not tried. */
const DEPTH_MOST = 60;
function depthOffset(text: string): number | undefined {
  let depth = 0;
  let inText = false;
  for (let at = 0; at < text.length; at++) {
    const letter = text[at];
    if (inText) {
      if (letter === '\\') at++;
      else if (letter === '"') inText = false;
    } else if (letter === '"') inText = true;
    else if (letter === '[' || letter === '{') {
      if (++depth > DEPTH_MOST) return at;
    } else if (letter === ']' || letter === '}') depth--;
  }
  return undefined;
}

/** The text of a JSON file as a value; refuses one that is none, with the line and column where it stops being any. */
export function parseLocated(file: string, text: string): unknown {
  const deep = depthOffset(text);
  if (deep !== undefined)
    throw wrongAt(file, text, deep, 'it is nested deeper than anything that is kept here');
  try {
    return JSON.parse(text) as unknown;
  } catch {
    const errors: ParseError[] = [];
    parseTree(text, errors, { disallowComments: true });
    const first = errors[0];
    const why = first && PARSE_WORDS[printParseErrorCode(first.error)];
    throw wrongAt(file, text, first?.offset ?? 0, why ?? 'this is no JSON');
  }
}

/** Where in a text the value at a path stands; of one that is missing, where the thing stands that lacks it. */
function offsetOf(text: string, path: readonly PropertyKey[]): number {
  const root = parseTree(text);
  for (let length = path.length; root && length > 0; length--) {
    const node = findNodeAtLocation(root, path.slice(0, length) as (string | number)[]);
    if (node) return node.offset;
  }
  return root?.offset ?? 0;
}

/** A value of a file that is wrong at a path, as a refusal. */
export const wrongIn = (file: string, text: string, path: readonly PropertyKey[], why: string): Refusal =>
  wrongAt(file, text, offsetOf(text, path), why);

/** A file as its schema has it; refuses it with the line and column of the first thing that does not fit. */
export function readLocated<T>(file: string, text: string, schema: z.ZodType<T>): T {
  const result = schema.safeParse(parseLocated(file, text));
  if (result.success) return result.data;
  throw wrongIn(file, text, result.error.issues[0]?.path ?? [], whyUnread(result.error));
}
