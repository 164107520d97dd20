export { MESH_ERROR_CODES, MeshFileError, type MeshErrorCode } from './meshFileError';
export { FILE_UNITS_MM, MESH_FORMATS, type FileUnit, type MeshFormat, type RawMesh } from './rawMesh';
export { FILE_BYTES_MAX, readMesh, TRIANGLES_MAX } from './readMesh';
export { writeBinaryStl } from './writeStl';
export { write3mf } from './write3mf';
export { splitLongEdges } from './splitLongEdges';
export { weldEqual, weldWithin, WELD_SHARE_OF_DIAGONAL, type WeldedMesh } from './weld';
export { checkTopology, isClosed, type Topology } from './topology';
export { measureBounds, measureSolid, sizeOf, type Bounds, type SolidMeasure } from './measureSolid';
