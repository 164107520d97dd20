/** Disjoint sets with path halving; the smaller number stays the root. */
export class UnionFind {
  private readonly parent: Uint32Array;

  constructor(count: number) {
    this.parent = new Uint32Array(count);
    for (let n = 0; n < count; n++) this.parent[n] = n;
  }

  find(n: number): number {
    const { parent } = this;
    let at = n;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  }

  /** Joins two sets; the root of both afterwards. */
  join(a: number, b: number): number {
    const [ra, rb] = [this.find(a), this.find(b)];
    if (ra === rb) return ra;
    const [root, other] = ra < rb ? [ra, rb] : [rb, ra];
    this.parent[other] = root;
    return root;
  }
}
