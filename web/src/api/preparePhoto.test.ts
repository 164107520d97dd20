// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { PHOTO_SIDES, preparePhoto } from './preparePhoto';

const file = (bytes: number, name = 'flaw.png', type = 'image/png'): File => {
  const made = new File(['x'], name, { type });
  Object.defineProperty(made, 'size', { value: bytes });
  return made;
};
const drawn: [width: number, height: number][] = [];
/** A browser that reads a picture of that size. */
function readsAs(width: number, height: number): void {
  vi.stubGlobal('createImageBitmap', async () => ({ width, height, close: () => {} }));
  vi.stubGlobal(
    'OffscreenCanvas',
    class {
      constructor(
        readonly width: number,
        readonly height: number,
      ) {
        drawn.push([width, height]);
      }
      getContext = () => ({ drawImage: () => {}, fillRect: () => {} });
      convertToBlob = async () => new Blob(['drawn anew'], { type: 'image/jpeg' });
    },
  );
}
afterEach(() => {
  vi.unstubAllGlobals();
  drawn.splice(0);
});

describe('a picture that is added', () => {
  it('keeps its size where it is small, and is drawn anew so that nothing else of the file goes with it', async () => {
    readsAs(2000, 1500);
    const small = file(900_000);
    const made = await preparePhoto(small);
    expect([made.type, drawn]).toEqual(['image/jpeg', [[2000, 1500]]]);
    expect(await made.text()).toBe('drawn anew');
  });
  it('is as large as is wanted of it', async () => {
    readsAs(8000, 4000);
    for (const side of Object.values(PHOTO_SIDES)) await preparePhoto(file(900_000), side);
    expect(drawn).toEqual([
      [1800, 900],
      [3000, 1500],
      [8000, 4000],
    ]);
  });
  it('of fifty megabytes is kept small enough for a page of them', async () => {
    readsAs(9000, 6000);
    const made = await preparePhoto(file(50_000_000, 'IMG 12.PNG'));
    expect([made.name, made.type, drawn]).toEqual(['IMG 12.jpg', 'image/jpeg', [[3000, 2000]]]);
  });
  it('that is none is refused by its name, with what is read', async () => {
    readsAs(10, 10);
    vi.stubGlobal('createImageBitmap', () => Promise.reject(new DOMException('no')));
    await expect(preparePhoto(file(4000, 'notes.png'))).rejects.toThrow(
      /“notes.png” is not a picture that can be read.*PNG, JPEG and WebP/,
    );
    await expect(preparePhoto(file(200_000_000, 'film.png'))).rejects.toThrow('larger than 120 MB');
  });
});
