import { tellFacts, type Casting, type Flaw, type Pour } from '@zero-pour/contracts';
import { flawWords, formatQuantity, type UnitChoice } from '@zero-pour/core';
import { castPieces, planPour, type PourContext, type Shop } from '@zero-pour/plan';
import type { RecordFilter } from './recordFilter';

type Photo = Casting['photos'][number];
/** One picture of a casting, or of a flaw of it. */
export interface RecordPicture {
  key: string;
  photo: Photo;
  pourId: string;
  /** "Pour 22 · Limpet drop 3". */
  title: string;
  /** "misrun at a tip"; absent: the casting has none that was asked for. */
  flaw: string | undefined;
  facts: { name: string; says: string }[];
}

const says = ({ kind, zone }: Flaw): string => `${flawWords(kind)}${zone ? ` ${zone}` : ''}`;

/** Pictures of a pour; where a flaw or a zone is asked for only those of it, and of castings that have it. */
export function picturesOf(
  pour: Pour,
  shop: Shop,
  { flaw, zone }: Pick<RecordFilter, 'flaw' | 'zone'>,
  choice: UnitChoice,
): RecordPicture[] {
  const { context } = planPour(pour, shop);
  const names = new Map<string, string>(castPieces(context).map(({ key, name }) => [key, name]));
  const fits = (one: Flaw): boolean => (!flaw || one.kind === flaw) && (!zone || one.zone === zone);
  const facts = factsOf(pour, context, choice);
  return Object.entries(pour.doc.result.castings).flatMap(([piece, { photos, flaws }]) => {
    const fitting = flaws.filter(fits);
    if ((flaw || zone) && fitting.length === 0) return [];
    const picture = (photo: Photo, of: string | undefined): RecordPicture => ({
      key: `${pour.id} ${piece} ${photo.hash} ${of ?? ''}`,
      photo,
      pourId: pour.id,
      title: `Pour ${pour.number} · ${names.get(piece) ?? piece}`,
      flaw: of,
      facts,
    });
    const whole = fitting.length > 0 ? fitting.map(says).join(', ') : undefined;
    return [
      ...fitting.flatMap((one) => (one.photos ?? []).map((photo) => picture(photo, says(one)))),
      ...photos.map((photo) => picture(photo, whole)),
    ];
  });
}

/** Names of the facts in which pictures differ; one that is not told of some differs. */
export function factNamesApart(pictures: readonly RecordPicture[]): string[] {
  const names = [...new Set(pictures.flatMap(({ facts }) => facts.map(({ name }) => name)))];
  const said = (name: string) =>
    new Set(pictures.map(({ facts }) => facts.find((one) => one.name === name)?.says));
  return names.filter((name) => said(name).size > 1);
}

/** What makers look at under a picture: with what it was made, and how hot. */
function factsOf({ doc }: Pour, context: PourContext, choice: UnitChoice): RecordPicture['facts'] {
  const { alloy, resin, printer, powder, programme, profile } = context;
  const { flaskC, metalC } = tellFacts(doc);
  const temp = (value: number | undefined): string | undefined =>
    value === undefined ? undefined : formatQuantity({ value, unit: 'degC', digits: 0 }, choice);
  const all: [string, string | undefined][] = [
    ['metal', alloy?.name],
    ['resin', resin?.name],
    ['printer', printer?.name],
    ['layer', profile && formatQuantity({ value: profile.layerMm, unit: 'mm', digits: 3 }, choice)],
    ['powder', powder?.name],
    ['programme', programme?.name],
    ['flask', temp(flaskC)],
    ['metal at', temp(metalC)],
  ];
  return all.flatMap(([name, text]) => (text === undefined ? [] : [{ name, says: text }]));
}
