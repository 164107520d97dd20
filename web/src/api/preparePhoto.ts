/** Beyond this a picture is made smaller before it is kept: its longest side, px. */
const SIDE_MOST = 3000;
/** A camera's largest; what is more is no picture of a casting. */
const BYTES_READ = 120_000_000;
const QUALITY = 0.86;

/** A file that is no picture, by its name. */
const notRead = (name: string): Error =>
  new Error(`“${name}” is not a picture that can be read: it is damaged, or another kind of file. PNG, JPEG and WebP are.`); // prettier-ignore

async function decode(file: File): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw notRead(file.name);
  }
}

/** How a picture is kept: at most this long a side, px; null: as large as it is. */
export const PHOTO_SIDES = { bench: 1800, flaw: SIDE_MOST, full: null } as const;

/**
 * A picture as it is kept: looked at first, so that what is none is refused with a sentence; made smaller where it is larger than
 * is needed; and drawn anew in any case, upright as it was taken, so that nothing else of the file goes with it: where it was taken,
 * by which device. Rejects with an Error for a file that is no picture, or far too large.
 */
export async function preparePhoto(file: File, sideMost: number | null = SIDE_MOST): Promise<File> {
  if (file.size > BYTES_READ)
    throw new Error(
      `“${file.name}” is larger than ${BYTES_READ / 1e6} MB. Save it smaller and add it again.`,
    );
  if (typeof createImageBitmap === 'undefined') return file;
  const picture = await decode(file);
  const { width, height } = picture;
  const share = Math.min(1, (sideMost ?? Infinity) / Math.max(width, height));
  const blob = await draw(picture, Math.round(width * share), Math.round(height * share));
  picture.close();
  return new File([blob], file.name.replace(/\.\w+$/, '.jpg'), { type: 'image/jpeg' });
}

async function draw(picture: ImageBitmap, width: number, height: number): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d')!;
  // What is clear in a PNG is paper, not black.
  context.fillStyle = 'white';
  context.fillRect(0, 0, width, height);
  context.drawImage(picture, 0, 0, width, height);
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}
