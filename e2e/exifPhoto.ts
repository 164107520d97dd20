import type { Page } from '@playwright/test';

/** A picture as a phone takes it, held upright: 120 × 60 pixels on the sensor, to be turned, with a place beside it. */
export async function exifPhoto(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [120, 60];
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#a33';
    context.fillRect(0, 0, 60, 60);
    context.fillStyle = '#33a';
    context.fillRect(60, 0, 60, 60);
    return canvas.toDataURL('image/jpeg');
  });
  const jpeg = Buffer.from(url.split(',')[1]!, 'base64');
  return Buffer.concat([jpeg.subarray(0, 2), exif(), jpeg.subarray(2)]);
}

/** An APP1 segment: orientation 6 (turn a quarter to the right), and a GPS directory with a latitude reference. */
function exif(): Buffer {
  const tiff = Buffer.alloc(8 + 2 + 2 * 12 + 4 + 2 + 12 + 4);
  tiff.write('MM', 0, 'latin1');
  tiff.writeUInt16BE(42, 2);
  tiff.writeUInt32BE(8, 4);
  let at = 8;
  const entry = (tag: number, type: number, count: number, value: number): void => {
    tiff.writeUInt16BE(tag, at);
    tiff.writeUInt16BE(type, at + 2);
    tiff.writeUInt32BE(count, at + 4);
    if (type === 3) tiff.writeUInt16BE(value, at + 8);
    else tiff.writeUInt32BE(value, at + 8);
    at += 12;
  };
  at = tiff.writeUInt16BE(2, at);
  entry(0x0112, 3, 1, 6);
  entry(0x8825, 4, 1, 38);
  at = tiff.writeUInt32BE(0, at);
  at = tiff.writeUInt16BE(1, at);
  entry(0x0001, 2, 2, 0x4e000000);
  tiff.writeUInt32BE(0, at);
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([head, body]);
}
