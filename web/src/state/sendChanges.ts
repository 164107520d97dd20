import {
  changedPourSchema,
  CHANGES_MAX,
  type FieldChange,
  type Pour,
  type RefusedChange,
} from '@zero-pour/contracts';
import { request, RequestError } from '../api/request';
import { useNotKept } from './notKept';
import { dropPending, markSent, readPending } from './pendingChanges';

/** A change that the server stumbled over this often is set aside, so that those behind it are kept. */
const STUMBLES_MAX = 3;

/** How a sending went: everything is kept, more waits, or nobody answered. */
export type Sent = { pour: Pour; setAside: number; more: boolean } | { again: 'soon' | 'later' };

/** Sends the waiting changes of pours, in groups; what cannot be kept is set aside alone. */
export class ChangeSender {
  private readonly groups = new Map<string, number>();
  private readonly stumbles = new Map<string, number>();

  /** Sends the next group of a pour. Resolves with null when nothing waits. */
  async send(pourId: string): Promise<Sent | null> {
    const waiting = readPending(pourId).slice(0, this.groups.get(pourId) ?? CHANGES_MAX);
    if (waiting.length === 0) return null;
    const sent = markSent(pourId, waiting);
    try {
      const { pour, refused } = await request(changedPourSchema, 'PATCH', `/pours/${pourId}`, {
        changes: sent,
      });
      for (const told of refused) setAside(pourId, told);
      dropPending(pourId, sent);
      this.groups.delete(pourId);
      return { pour, setAside: refused.length, more: readPending(pourId).length > 0 };
    } catch (error) {
      if (!(error instanceof RequestError) || error.isOutage) return { again: 'later' };
      return this.narrow(pourId, sent, error);
    }
  }

  /** The group as a whole was refused or broke something: alone, each shows whether it was the one. */
  private narrow(pourId: string, sent: readonly FieldChange[], error: RequestError): Sent {
    if (sent.length > 1) {
      this.groups.set(pourId, 1);
      return { again: 'soon' };
    }
    const change = sent[0]!;
    const key = `${pourId} ${JSON.stringify(change)}`;
    const stumbled = (this.stumbles.get(key) ?? 0) + 1;
    this.stumbles.set(key, stumbled);
    if (error.isStumble && stumbled < STUMBLES_MAX) return { again: 'later' };
    this.stumbles.delete(key);
    setAside(pourId, { change, sentence: error.message });
    dropPending(pourId, sent);
    return { again: 'soon' };
  }
}

/** What was refused, as it was typed: sent again, it goes over what stands there by then. */
function setAside(pourId: string, { change, sentence, stored }: Omit<RefusedChange, 'code'>): void {
  const { over: _over, ...typed } = change;
  useNotKept().add({
    of: 'pour',
    pourId,
    change: typed,
    sentence,
    ...(stored === undefined ? {} : { stored }),
  });
}
