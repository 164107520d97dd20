import type { Slip, SlipSubject } from '@zero-pour/contracts';
import { poursAtHand } from '@zero-pour/plan';
import { useRoute } from 'vue-router';
import { useBoard } from '../state/boardStore';
import { usePours } from '../state/pourStore';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';

/** Something that a slip may be about, as it is called. */
export interface NamedSubject {
  subject: SlipSubject;
  name: string;
}

export const isSame = (a: SlipSubject | null, b: SlipSubject | null): boolean =>
  a?.kind === b?.kind && a?.id === b?.id;

/** What slips may be about in this shop, and what each is called. */
export function useSlipSubjects() {
  const [board, shop, records, pours, route] = [useBoard(), useShop(), useRecords(), usePours(), useRoute()];

  /** The pours in work, the likeliest first: the one whose page is open, then by what hands do about now. */
  function poursNow(now: number): NamedSubject[] {
    const open = route.name === 'pour' || route.name === 'bench' ? String(route.params['id']) : undefined;
    return poursAtHand(board.rows, now)
      .map(({ pour, title }): NamedSubject => ({
        subject: { kind: 'pour', id: pour.id },
        name: `Pour ${pour.number}${title ? `, ${title}` : ''}`,
      })) // prettier-ignore
      .sort((a, b) => Number(b.subject.id === open) - Number(a.subject.id === open));
  }
  const others = (): NamedSubject[] => [
    ...shop.patterns.map(({ id, name }): NamedSubject => ({ subject: { kind: 'pattern', id }, name })),
    ...shop.lists.resin.map(({ id, name }): NamedSubject => ({ subject: { kind: 'resin', id }, name })),
    ...records.lists.mold.map(({ id, name }): NamedSubject => ({ subject: { kind: 'mold', id }, name })),
  ];
  /** Undefined for what is not here any more, or is not read. */
  function nameOf({ kind, id }: SlipSubject): string | undefined {
    if (kind !== 'pour') return others().find(({ subject }) => subject.id === id)?.name;
    const pour = pours.pours.get(id);
    return pour && `Pour ${pour.number}`;
  }
  return { poursNow, others, nameOf };
}

const PAGES: Record<SlipSubject['kind'], string> = {
  pour: '/pours',
  pattern: '/patterns',
  resin: '/resins',
  mold: '/molds',
};
export const addressOf = ({ kind, id }: SlipSubject): string => `${PAGES[kind]}/${id}`;

/** Nobody has sorted it yet. */
export const isInInbox = ({ sortedAt }: Slip): boolean => sortedAt === null;
