import type { MeshErrorCode } from '@zero-pour/core';

/** What a refusal says: HTTP status, and the sentence with {blanks} filled from its detail. */
export interface ErrorText {
  status: number;
  sentence: string;
}

const file = (sentence: string): ErrorText => ({ status: 422, sentence });

/** Refusals of pattern files: what is wrong with the file, and what to do. */
const MESH_ERRORS: Record<MeshErrorCode, ErrorText> = {
  MESH_EMPTY: file('The file is empty. Export it again.'),
  MESH_FORMAT_UNKNOWN: file('“{name}” is not an STL, OBJ, PLY or 3MF file. Export the part as one of these.'),
  MESH_TOO_LARGE: file(
    'The file is too large: at most 300 MB and 5 million triangles. Reduce the mesh and export it again.',
  ),
  MESH_TRUNCATED: file(
    'The file ends in the middle: it was cut off while it was saved or sent. Export or copy it again.',
  ),
  MESH_COUNT_MISMATCH: file(
    'The file says {stated} triangles but holds {present}. It is damaged, or not an STL; export it again.',
  ),
  MESH_NO_TRIANGLES: file(
    'There are no triangles in the file. Export the solid, not an empty layer or a sketch.',
  ),
  MESH_NOT_FINITE: file(
    'Point {vertex} has a coordinate that is not a number. Repair the mesh where you made it and export it again.',
  ),
  MESH_TEXT_BROKEN: file('Line {line} cannot be read (“{word}”). Export the file again.'),
  MESH_DATA_BROKEN: file(
    'The file has “{word}” where a number of the part belongs. It is damaged; export it again.',
  ),
  MESH_INDEX_RANGE: file('A triangle names a point that is not in the file. It is damaged; export it again.'),
  MESH_ZIP_BROKEN: file('The 3MF package is damaged, or has no model in it. Export it again.'),
  MESH_ZIP_EXPANDS: file('The 3MF package would unpack to far more than it should. Export it again.'),
  MESH_XML_BROKEN: file('The model in the 3MF package cannot be read: {what}. Export it again.'),
  MESH_XML_ENTITIES: file(
    'The 3MF model declares entities, which no part needs and which are not read. Export it again.',
  ),
  MESH_EXTENSION_UNKNOWN: file(
    'The 3MF package needs an extension that is not known here ({extension}). Export it as plain 3MF, or as STL.',
  ),
  MESH_FLAT: file('The mesh encloses nothing: it is flat. Give the part a thickness and export it again.'),
  MESH_TOO_OPEN: file(
    'The surface is too open to tell inside from outside: the metal cannot be followed. Close it where it was made.',
  ),
};

const API_ERRORS = {
  NOT_FOUND: { status: 404, sentence: 'There is no {what} here any more. Go back and choose again.' },
  BAD_REQUEST: { status: 422, sentence: 'This cannot be kept: {where}: {why}.' },
  BODY_UNREADABLE: { status: 400, sentence: 'What was sent cannot be read. Reload the page and try again.' },
  BODY_TOO_LARGE: { status: 413, sentence: 'This is larger than can be kept here ({limit}).' },
  STILL_USED: { status: 409, sentence: '{what} is used by {by}. Choose another there first.' },
  ID_TAKEN: {
    status: 409,
    sentence:
      'There is already another {what} in this place, with other content. Reload the page; what you typed stays.',
  },
  STALE: {
    status: 409,
    sentence:
      'This was changed elsewhere meanwhile. Both versions stand under “Not kept”: keep yours, or take theirs.',
  },
  FIELD_CHANGED: {
    status: 409,
    sentence: 'This was changed elsewhere meanwhile: keep yours, or take theirs.',
  },
  UNREADABLE: { status: 409, sentence: '{sentence}' },
  DAMAGED: {
    status: 410,
    sentence:
      'The bytes of this file were damaged on the disk where they are kept. Drop the same file here again: that mends it.',
  },
  DISK_FULL: {
    status: 507,
    sentence:
      'The disk that keeps the shop is full. Make room on it; what you typed stays in this browser and is kept then.',
  },
  FOLDER_NOT_WRITTEN: {
    status: 503,
    sentence:
      'The folder that keeps the shop cannot be read or written ({what}). Look at its disk and its rights; what you typed stays in this browser.',
  },
  DATABASE_STOPPED: {
    status: 503,
    sentence:
      'The database of the shop does not answer. Start it, or Zero Pour, again; what you typed stays in this browser.',
  },
  BUSY: {
    status: 503,
    sentence: 'Zero Pour is busy with something else just now. It is tried again by itself.',
  },
  NAME_TAKEN: { status: 409, sentence: 'There is already a {what} with that name. Give this one another.' },
  HASH_MISMATCH: { status: 422, sentence: 'The file changed on its way here. Send it again.' },
  SHOP_NOT_EMPTY: {
    status: 409,
    sentence:
      'A whole shop goes only into an empty one; this one has things in it. Start another with a data folder of its own.',
  },
  SHARE_INTO: { status: 422, sentence: 'A cleaning protocol is of a resin: say which of yours it goes to.' },
  SCRAPS_AGAIN: {
    status: 409,
    sentence: 'These very rows were taken in already, as “{name}”. Taken in twice they would count twice.',
  },
  FILE_WRONG: {
    status: 422,
    sentence: '{file}, line {line}, column {column}: {why}. Nothing was taken in.',
  },
  FILE_NEWER: {
    status: 422,
    sentence:
      '{file} is of version {version}; this Zero Pour reads up to version {own}. Update it first. Nothing was taken in.',
  },
  ARCHIVE_NONE: {
    status: 422,
    sentence: 'This zip is no shop of Zero Pour: {file} is not in it. Nothing was taken in.',
  },
  ZIP_BROKEN: {
    status: 422,
    sentence: 'This zip cannot be taken in: {why}. Nothing was taken in.',
  },
  BACKUP_NO_ROOM: {
    status: 507,
    sentence:
      'There is no room for a backup in {folder}: {free} are free, about {needed} are needed. Make room, or choose another folder. Nothing was written.',
  },
  BACKUP_FAILED: { status: 500, sentence: 'No backup was made: {why}' },
  BACKUP_FOLDER: {
    status: 422,
    sentence: 'Backups cannot go to {folder}: {why}.',
  },
  BACKUP_NONE: {
    status: 404,
    sentence: 'There is no backup {name} in {folder} any more. Nothing was taken in.',
  },
  OTHER_SHOP: {
    status: 409,
    sentence:
      'Another shop answers here now. Reload the page; what you typed stays with the shop that it is of.',
  },
  SIGN_IN: { status: 401, sentence: 'Sign in with the shop’s passcode.' },
  PASSCODE_WRONG: {
    status: 403,
    sentence: 'That is not the shop’s passcode. It stands with whoever turned the network on.',
  },
  TOO_MANY_TRIES: {
    status: 429,
    sentence: 'Too many wrong passcodes came from the network. Try again in a quarter of an hour.',
  },
  ONLY_HERE: {
    status: 403,
    sentence: 'This is done at the machine that Zero Pour runs on, not over the network.',
  },
  PASSCODE_FIRST: { status: 409, sentence: 'Give the shop a passcode first: without one nobody is let in.' },
  ADDRESS_NOT_HERE: {
    status: 422,
    sentence: '{address} is no address of this machine. Choose one that it has.',
  },
  FOREIGN_ORIGIN: { status: 403, sentence: 'This address is not served from here.' },
  READING_FAILED: {
    status: 500,
    sentence:
      'This part could not be worked out: it may be too large for the machine that Zero Pour runs on. Reduce its mesh, or try again after a restart.',
  },
  PRICES_UNREAD: {
    status: 502,
    sentence:
      'The price feed did not answer, or not as a feed of prices. The prices that you have stay as they are.',
  },
  DEVICE_NONE: {
    status: 409,
    sentence: 'No device is known for this kiln. Give its address first.',
  },
  DEVICE_ADDRESS: {
    status: 422,
    sentence: '“{address}” is no address of a device: it begins with http:// and names a machine.',
  },
  DEVICE_SILENT: {
    status: 502,
    sentence: 'Nothing answers at {address}. Look whether the device is on, and at its address.',
  },
  DEVICE_OTHER: {
    status: 502,
    sentence: 'What answers at {address} does not speak as a {kind} should: {what}.',
  },
  READER_NONE: {
    status: 409,
    sentence: 'No {kind} is known here. Give its address in the shop’s settings first.',
  },
  READER_NOTHING: {
    status: 502,
    sentence: 'Nothing can be read: {why}. Look at the device, or type what it shows.',
  },
  DEVICE_BUSY: {
    status: 409,
    sentence: 'This kiln is running already. Stop that run first.',
  },
  DEVICE_TOO_HOT: {
    status: 422,
    sentence: '{targetC} °C is hotter than this kiln may be ({maxC} °C). Nothing was sent.',
  },
  STOP_NOT_HEARD: {
    status: 502,
    sentence: 'The stop was not heard: nothing answers at {address}. Go to the kiln and switch it off there.',
  },
  INTERNAL: {
    status: 500,
    sentence: 'Something went wrong in Zero Pour. What you typed is still in this window; try again.',
  },
} as const satisfies Record<string, ErrorText>;

/** Every refusal there is, once (docs/errors.md is held to it by a test). */
export const ERRORS = { ...MESH_ERRORS, ...API_ERRORS };
export type ErrorCode = keyof typeof ERRORS;
export type ErrorDetail = Readonly<Record<string, string | number>>;

/** The sentence of a refusal with its blanks filled; blanks without a value are dropped. */
export function errorSentence(code: ErrorCode, detail: ErrorDetail = {}): string {
  return ERRORS[code].sentence.replace(/\{(\w+)\}/g, (_, name: string) => String(detail[name] ?? '?'));
}
