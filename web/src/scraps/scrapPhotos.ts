import { unzip, type Unzipped } from 'fflate';
import { keepPhoto } from '../api/keepPhoto';
import { preparePhoto } from '../api/preparePhoto';
import { knownShop } from '../state/shopKeys';

/** Pictures of a drawer are held in memory while they are taken in. */
const ZIP_BYTES_MOST = 1_000_000_000;
const PICTURE = /\.(jpe?g|png|webp)$/i;

export interface KeptPhoto {
  hash: string;
  name: string;
}
/** A file's name without its folders, in small letters: as it is written on a scrap. */
export const photoKey = (name: string): string => name.trim().toLowerCase().split(/[\\/]/).at(-1) ?? '';

function unzipped(bytes: Uint8Array, name: string): Promise<Unzipped> {
  return new Promise((resolve, reject) => {
    unzip(bytes, { filter: (entry) => PICTURE.test(entry.name) }, (error, files) =>
      error ? reject(new Error(`“${name}” is no zip that can be read, or was cut off.`)) : resolve(files),
    );
  });
}

/** Pictures out of zips and of chosen files, by their names. Rejects with an Error for a zip that is none. */
export async function readPhotos(files: readonly File[]): Promise<Map<string, File>> {
  const found = new Map<string, File>();
  for (const file of files) {
    if (PICTURE.test(file.name)) found.set(photoKey(file.name), file);
    else {
      if (file.size > ZIP_BYTES_MOST)
        throw new Error(`“${file.name}” is larger than 1 GB: take its pictures in parts.`);
      const entries = await unzipped(new Uint8Array(await file.arrayBuffer()), file.name);
      for (const [path, bytes] of Object.entries(entries))
        found.set(photoKey(path), new File([new Uint8Array(bytes)], path.split('/').at(-1)!));
    }
  }
  return found;
}

/** The picture that a row names, with an ending or without. */
export const photoOf = (named: string, photos: ReadonlyMap<string, File>): File | undefined => {
  const key = photoKey(named);
  return photos.get(key) ?? [...photos].find(([name]) => name.replace(PICTURE, '') === key)?.[1];
};

/** Keeps each picture that rows name, once. */
export async function keepNamedPhotos(
  named: readonly string[],
  photos: ReadonlyMap<string, File>,
): Promise<Map<string, KeptPhoto>> {
  const kept = new Map<string, KeptPhoto>();
  for (const name of new Set(named)) {
    const file = photoOf(name, photos);
    if (file) kept.set(name, await keepPhoto(await preparePhoto(file), knownShop()));
  }
  return kept;
}
