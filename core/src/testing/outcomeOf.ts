import { MeshFileError, readMesh } from '../mesh/index';

/** What comes of a file: "read", or the code of the refusal. Anything else that is thrown is thrown on. */
export function outcomeOf(bytes: Uint8Array, name: string): string {
  try {
    readMesh(bytes, name);
    return 'read';
  } catch (error) {
    if (error instanceof MeshFileError) return error.code;
    throw error;
  }
}
