import type { FieldChange } from '@zero-pour/contracts';

/** What takes one step back: a field of a pour as it was. */
interface UndoStep {
  id: string;
  change: FieldChange;
}

/** Steps of this window that can be taken back, the last first. */
export class UndoSteps {
  readonly #steps: UndoStep[] = [];

  get count(): number {
    return this.#steps.length;
  }

  /** Adds a step and answers how many there are. Typing in one field is taken back as one step. */
  add(step: UndoStep): number {
    const last = this.#steps.at(-1);
    const sameField = last?.id === step.id && last.change.path.join() === step.change.path.join();
    if (!sameField || typeof step.change.value === 'object') this.#steps.push(step);
    return this.count;
  }

  take = (): UndoStep | undefined => this.#steps.pop();
}
