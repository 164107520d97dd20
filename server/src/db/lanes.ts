type Lane = 'change' | 'read';

/**
 * Work on a database that does one thing at a time. A change goes before reads that wait: whoever typed something is answered
 * while a page that begins asks for everything. Nothing that has begun is interrupted, and after a change a read that waited has its turn.
 */
export class Lanes {
  private readonly waiting: Record<Lane, (() => void)[]> = { change: [], read: [] };
  private busy = false;
  private last: Lane = 'read';

  /** Does the work when its turn comes; what it throws is the caller's. */
  async run<T>(lane: Lane, work: () => Promise<T>): Promise<T> {
    if (this.busy) await new Promise<void>((turn) => this.waiting[lane].push(turn));
    this.busy = true;
    this.last = lane;
    try {
      return await work();
    } finally {
      // The embedded database answers without ever waiting: unless the process turns to what came meanwhile, a change that
      // was sent is not even read before everything that was asked earlier is answered.
      setImmediate(() => this.next());
    }
  }

  private next(): void {
    const { change, read } = this.waiting;
    const turn = (this.last === 'change' ? read.shift() : undefined) ?? change.shift() ?? read.shift();
    // Stays busy for the one whose turn it is, so that nobody slips in before it.
    if (turn) turn();
    else this.busy = false;
  }
}
