/** A typed array that doubles as it fills, for readers that do not know the count beforehand. */
export class GrowingFloats {
  private store = new Float64Array(3072);
  length = 0;
  push3(a: number, b: number, c: number): void {
    if (this.length + 3 > this.store.length) {
      const larger = new Float64Array(this.store.length * 2);
      larger.set(this.store);
      this.store = larger;
    }
    this.store[this.length] = a;
    this.store[this.length + 1] = b;
    this.store[this.length + 2] = c;
    this.length += 3;
  }
  take(): Float64Array {
    return this.store.slice(0, this.length);
  }
}

/** As GrowingFloats, for indices. */
export class GrowingIndices {
  private store = new Uint32Array(3072);
  length = 0;
  push3(a: number, b: number, c: number): void {
    if (this.length + 3 > this.store.length) {
      const larger = new Uint32Array(this.store.length * 2);
      larger.set(this.store);
      this.store = larger;
    }
    this.store[this.length] = a;
    this.store[this.length + 1] = b;
    this.store[this.length + 2] = c;
    this.length += 3;
  }
  take(): Uint32Array {
    return this.store.slice(0, this.length);
  }
}
