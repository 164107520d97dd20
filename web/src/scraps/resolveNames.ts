import { alloysFromBook, usualResin, type TakeScraps } from '@zero-pour/contracts';
import { nameKey, type ScrapNames } from '@zero-pour/plan';
import { NAME_ROLES, type NameRole, type SaidName } from './scrapNames';

/** Things that are made for them, and the ids that names come to. */
export function resolveNames(names: readonly SaidName[]): {
  ids: ScrapNames;
  alloys: TakeScraps['alloys'];
  resins: TakeScraps['resins'];
} {
  const alloys: TakeScraps['alloys'] = [];
  const resins: TakeScraps['resins'] = [];
  const makeOf = (role: NameRole, called: string): string => {
    const list = role === 'metal' ? alloys : resins;
    const had = list.find((one) => one.name === called);
    if (had) return had.id;
    const id = crypto.randomUUID();
    if (role === 'metal') alloys.push({ ...alloysFromBook().find((alloy) => alloy.name === called)!, id });
      else resins.push({ ...usualResin('wax-rich'), name: called.slice(0, 120), id, note: 'Made from old records: its figures are the usual ones.' }); // prettier-ignore
    return id;
  };
  const idsOf = (role: NameRole): Map<string, string | null> =>
    new Map(
      names
        .filter((said) => said.role === role)
        .map(({ said, meant }) => [
          nameKey(said),
          meant.is === 'thing' ? meant.id : meant.is === 'new' ? makeOf(role, meant.name) : null,
        ]),
    );
  const [metal, resin, what] = NAME_ROLES.map(idsOf) as [Map<string, string | null>, Map<string, string | null>, Map<string, string | null>]; // prettier-ignore
  return { ids: { metal, resin, what }, alloys, resins };
}
