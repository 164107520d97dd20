import type { TestMesh } from './solids';

/** PLY of a mesh, as text or as bytes of either end; triangles as lists of int. */
export function ply(
  { positions, triangles }: TestMesh,
  kind: 'ascii' | 'binary_little_endian' | 'binary_big_endian',
): Uint8Array {
  const [vertices, faces] = [positions.length / 3, triangles.length / 3];
  const header = `ply\nformat ${kind} 1.0\ncomment a part\nelement vertex ${vertices}\nproperty float x\nproperty float y\nproperty float z\nproperty uchar red\nelement face ${faces}\nproperty list uchar int vertex_indices\nend_header\n`;
  const head = Uint8Array.from(header, (c) => c.charCodeAt(0));
  if (kind === 'ascii') {
    const lines: string[] = [];
    for (let i = 0; i < positions.length; i += 3) lines.push(`${positions.slice(i, i + 3).join(' ')} 200`);
    for (let i = 0; i < triangles.length; i += 3) lines.push(`3 ${triangles.slice(i, i + 3).join(' ')}`);
    return Uint8Array.from(`${header}${lines.join('\n')}\n`, (c) => c.charCodeAt(0));
  }
  const little = kind === 'binary_little_endian';
  const bytes = new Uint8Array(head.length + 13 * vertices + 13 * faces);
  bytes.set(head);
  const view = new DataView(bytes.buffer);
  let at = head.length;
  for (let v = 0; v < vertices; v++, at += 13) {
    for (let k = 0; k < 3; k++) view.setFloat32(at + 4 * k, positions[3 * v + k]!, little);
    bytes[at + 12] = 200;
  }
  for (let t = 0; t < faces; t++, at += 13) {
    bytes[at] = 3;
    for (let k = 0; k < 3; k++) view.setInt32(at + 1 + 4 * k, triangles[3 * t + k]!, little);
  }
  return bytes;
}
