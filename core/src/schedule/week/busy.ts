import { usesIn, type Use } from './clash';
import type { Taken } from './world';

/** Adds a use to marks, or takes it off. */
export function mark(marks: Uint8Array, use: Use, by: 1 | -1): void {
  for (let slot = use.from; slot < use.to; slot++) if (usesIn(use, slot)) marks[slot] = marks[slot]! + by;
}

/** How many loads are at a thing, slot by slot. */
export class Busy {
  private readonly marks = new Map<string, Uint8Array>();
  constructor(private readonly slots: number) {}

  change(uses: readonly Use[], by: 1 | -1): void {
    for (const use of uses) {
      const marks = this.marks.get(use.thing) ?? new Uint8Array(this.slots);
      this.marks.set(use.thing, marks);
      mark(marks, use, by);
    }
  }
  readonly taken: Taken = (_, thing) => this.marks.get(thing);
}

/** What either of two marks. */
export function either(a: Uint8Array | undefined, b: Uint8Array | undefined): Uint8Array | undefined {
  if (!a || !b) return a ?? b;
  return a.map((mark, i) => mark | b[i]!);
}
