import type { FieldChange } from '@zero-pour/contracts';

/** A field of a pour as it was. */
export interface FieldBefore {
  id: string;
  change: FieldChange;
}

/** Steps of this window that can be taken back, the last first. */
export class UndoSteps {
  readonly #steps: FieldBefore[][] = [];

  get count(): number {
    return this.#steps.length;
  }

  /** Adds a step and answers how many there are. Typing in one field is taken back as one step. */
  add(before: FieldBefore): number {
    const last = this.#steps.at(-1)?.[0];
    const sameField = last?.id === before.id && last.change.path.join() === before.change.path.join();
    if (!sameField || typeof before.change.value === 'object') this.#steps.push([before]);
    return this.count;
  }

  /** Adds fields that are taken back together. */
  addAll(before: FieldBefore[]): number {
    if (before.length > 0) this.#steps.push(before);
    return this.count;
  }

  /** The last step's fields, the last that was set first. */
  take = (): FieldBefore[] => this.#steps.pop()?.reverse() ?? [];
}
