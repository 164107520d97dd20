import {
  applyChanges,
  CHANGES_MAX,
  clashesOf,
  emptyPourDoc,
  pourDocSchema,
  upgradeChanges,
  type FieldChange,
  type Pour,
} from '@zero-pour/contracts';
import { answerJson } from './answers';

export const FAKE_POUR = '5f1c2a30-8a0e-4c55-9d3b-1a2b3c4d5e6f';
const moment = '2026-11-24T16:54:00.000Z';

/** A stand-in for the server: one pour, judged change by change; it can be out of reach, refuse, stumble, or be another. */
export class FakePourServer {
  pour: Pour = {
    id: FAKE_POUR,
    number: 1,
    createdAt: moment,
    changedAt: moment,
    discarded: false,
    doc: emptyPourDoc(),
  };
  mode: 'answers' | 'gone' | 'another program' | 'answer lost' = 'answers';
  /** Values that it will not have, and those that break something in it. */
  refuses = new Set<unknown>();
  stumblesOver = new Set<unknown>();
  received: FieldChange[][] = [];
  asked = 0;

  readonly fetch = async (_: string, init: RequestInit = {}): Promise<Response> => {
    this.asked++;
    if (this.mode === 'gone') throw new TypeError('no answer');
    if (this.mode === 'another program') return new Response('<h1>Log in</h1>', { status: 404 });
    if (init.method !== 'PATCH') return answerJson(this.pour);
    const { changes } = JSON.parse(String(init.body)) as { changes: FieldChange[] };
    if (changes.length > CHANGES_MAX) throw new Error('more than go in one request');
    if (changes.some(({ value }) => this.stumblesOver.has(value)))
      return answerJson({ error: { code: 'INTERNAL', sentence: 'Something went wrong.' } }, { status: 500 });
    this.received.push(changes);
    const { doc } = this.pour;
    const clashes = clashesOf(doc, changes);
    const kept = changes.filter((change) => !this.refuses.has(change.value) && !clashes.has(change));
    this.pour = { ...this.pour, doc: pourDocSchema.parse(applyChanges(doc, upgradeChanges(kept, doc))) };
    const refused = changes
      .filter(({ value }) => this.refuses.has(value))
      .map((change) => ({ change, code: 'BAD_REQUEST', sentence: 'This cannot be kept.' }));
    const clashing = [...clashes].map(([change, stored]) => ({ change, stored, code: 'FIELD_CHANGED', sentence: 'Changed.' })); // prettier-ignore
    if (this.mode === 'answer lost') throw new TypeError('no answer');
    return answerJson({ pour: this.pour, refused: [...refused, ...clashing] });
  };

  /** Somebody else sets a field. */
  change(path: string[], value: FieldChange['value']): void {
    const doc = pourDocSchema.parse(applyChanges(this.pour.doc, [{ path, value, version: 2 }]));
    this.pour = { ...this.pour, doc };
  }
}
