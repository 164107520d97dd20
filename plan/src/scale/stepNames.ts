import type { ShopLists } from '@zero-pour/contracts';

const nameIn = (list: readonly { id: string; name: string }[], id: string, fallback: string): string =>
  list.find((item) => item.id === id)?.name ?? fallback;

/** What a step's key (of `stepOf`, `addsOf`) stands for, in the shop's own names. */
export function stepName(key: string, lists: ShopLists): string {
  const [kind, first = '', second = ''] = key.split(' ');
  switch (kind) {
    case 'resin': {
      const resin = nameIn(lists.resin, first, 'a resin that is gone');
      return second === 'z' ? `${resin}, upwards against across` : `${resin}, printed to cured`;
    }
    case 'metal':
      return `${nameIn(lists.alloy, first, 'the metal')}, freezing to room`;
    case 'investment': {
      const band = key.split(' ').at(-1)!;
      return `${nameIn(lists.powder, first, 'investment')}, ${band} flask`;
    }
    case 'adds': {
      const profile = nameIn(lists.profile, first, 'no profile told');
      return second === 'z' ? `Printing adds upwards, ${profile}` : `Printing adds, ${profile}`;
    }
    case 'mold':
      return `Mold of ${key.slice(5)}`;
    case 'wax':
      return 'Wax, injected to cold';
    case 'skin':
      return 'Skin that finishing takes';
    case 'master':
      return 'Coat and sanding of the master';
    default:
      return `${first || key}, as typed`;
  }
}
