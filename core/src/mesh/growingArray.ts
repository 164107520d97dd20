import { MESH_LIMITS } from './limits';
import { MeshFileError } from './meshFileError';

type Numbers = Float64Array | Uint32Array;

/** A typed array that doubles as it fills, for readers that do not know the count beforehand. */
class GrowingTriples<T extends Numbers> {
  length = 0;
  private store: T;

  constructor(
    private readonly make: (length: number) => T,
    /** Triples; more are refused with MESH_TOO_LARGE before there is room for them. */
    private readonly most: number,
  ) {
    this.store = make(3072);
  }

  push3(a: number, b: number, c: number): void {
    if (this.length + 3 > this.store.length) {
      if (this.length >= 3 * this.most) throw new MeshFileError('MESH_TOO_LARGE', { entries: this.most });
      const larger = this.make(Math.min(this.store.length * 2, 3 * this.most));
      larger.set(this.store);
      this.store = larger;
    }
    this.store[this.length] = a;
    this.store[this.length + 1] = b;
    this.store[this.length + 2] = c;
    this.length += 3;
  }

  /** What has been pushed, as an array of its own. */
  take(): T {
    return this.store.slice(0, this.length) as T;
  }
}

/** For coordinates. */
export class GrowingFloats extends GrowingTriples<Float64Array> {
  constructor() {
    super((length) => new Float64Array(length), MESH_LIMITS.vertices);
  }
}

/** For vertex indices. */
export class GrowingIndices extends GrowingTriples<Uint32Array> {
  constructor() {
    super((length) => new Uint32Array(length), MESH_LIMITS.triangles);
  }
}
