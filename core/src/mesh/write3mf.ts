import { strToU8, zipSync } from 'fflate';

const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const TYPES = `<?xml version="1.0" encoding="UTF-8"?>
<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>`;
const RELATIONS = `<?xml version="1.0" encoding="UTF-8"?>
<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>`;

/** Lines are joined in blocks: one string of five million lines is more than engines take. */
const BLOCK = 20_000;

function* lines(values: ArrayLike<number>, line: (at: number) => string): Generator<Uint8Array> {
  for (let from = 0; from < values.length; from += 3 * BLOCK) {
    let text = '';
    for (let at = from; at < Math.min(values.length, from + 3 * BLOCK); at += 3) text += line(at);
    yield strToU8(text);
  }
}

function join(parts: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}

/** Writes triangles as a 3MF package in mm. Coordinates keep every digit, so reading gives the same mesh. */
export function write3mf(positions: ArrayLike<number>, triangles: ArrayLike<number>): Uint8Array {
  const model = join([
    strToU8(`<?xml version="1.0" encoding="UTF-8"?>
<model unit="millimeter" xmlns="${CORE}"><resources><object id="1" type="model"><mesh><vertices>`),
    ...lines(
      positions,
      (i) => `<vertex x="${positions[i]}" y="${positions[i + 1]}" z="${positions[i + 2]}"/>`,
    ),
    strToU8('</vertices><triangles>'),
    ...lines(
      triangles,
      (i) => `<triangle v1="${triangles[i]}" v2="${triangles[i + 1]}" v3="${triangles[i + 2]}"/>`,
    ),
    strToU8('</triangles></mesh></object></resources><build><item objectid="1"/></build></model>'),
  ]);
  return zipSync({
    '[Content_Types].xml': strToU8(TYPES),
    '_rels/.rels': strToU8(RELATIONS),
    '3D/3dmodel.model': model,
  });
}
