/** Beyond this a picture is made smaller before it is kept: the longest side, px, and the file, bytes. */
const SIDE_MOST = 3000;
const BYTES_MOST = 6_000_000;
/** A camera's largest; what is more is no picture of a casting. */
const BYTES_READ = 120_000_000;
const QUALITY = 0.86;

/** A file that is no picture, by its name. */
const notRead = (name: string): Error =>
  new Error(`“${name}” is not a picture that can be read: it is damaged, or another kind of file. PNG, JPEG and WebP are.`); // prettier-ignore

async function decode(file: File): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(file);
  } catch {
    throw notRead(file.name);
  }
}

/**
 * A picture as it is kept: looked at first, so that what is none is refused with a sentence, and made smaller where it is larger
 * than a flaw needs. Rejects with an Error for a file that is no picture, or far too large. Where this browser cannot draw, it stays as it is.
 */
export async function preparePhoto(file: File): Promise<File> {
  if (file.size > BYTES_READ)
    throw new Error(
      `“${file.name}” is larger than ${BYTES_READ / 1e6} MB. Save it smaller and add it again.`,
    );
  if (typeof createImageBitmap === 'undefined' || typeof OffscreenCanvas === 'undefined') return file;
  const picture = await decode(file);
  const { width, height } = picture;
  const share = Math.min(1, SIDE_MOST / Math.max(width, height));
  if (share === 1 && file.size <= BYTES_MOST) {
    picture.close();
    return file;
  }
  const canvas = new OffscreenCanvas(Math.round(width * share), Math.round(height * share));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  return new File([blob], file.name.replace(/\.\w+$/, '.jpg'), { type: 'image/jpeg' });
}
