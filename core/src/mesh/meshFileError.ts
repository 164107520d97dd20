/** Why a pattern file was refused. `contracts` holds the sentence for each. */
export const MESH_ERROR_CODES = [
  'MESH_EMPTY',
  'MESH_FORMAT_UNKNOWN',
  'MESH_TOO_LARGE',
  'MESH_TRUNCATED',
  'MESH_COUNT_MISMATCH',
  'MESH_NO_TRIANGLES',
  'MESH_NOT_FINITE',
  'MESH_TEXT_BROKEN',
  'MESH_DATA_BROKEN',
  'MESH_INDEX_RANGE',
  'MESH_ZIP_BROKEN',
  'MESH_ZIP_EXPANDS',
  'MESH_XML_BROKEN',
  'MESH_XML_ENTITIES',
  'MESH_EXTENSION_UNKNOWN',
  'MESH_FLAT',
  'MESH_TOO_OPEN',
] as const;
export type MeshErrorCode = (typeof MESH_ERROR_CODES)[number];

/** A pattern file that cannot be taken; `detail` fills the blanks of the sentence. */
export class MeshFileError extends Error {
  constructor(
    readonly code: MeshErrorCode,
    readonly detail: Readonly<Record<string, string | number>> = {},
  ) {
    super(`${code} ${JSON.stringify(detail)}`);
    this.name = 'MeshFileError';
  }
}
