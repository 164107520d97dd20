import {
  GYPSUM_CEILING_C,
  reconcileProgrammes,
  say,
  type AskedProgramme,
  type Phrase,
  type Reconciled,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { burntResins, waxProgramme } from './needs';

/** What the makers of this pour's resin and powder prescribe, made one. */
export interface MakersPlan {
  /** Whose programme is in the records. */
  known: string[];
  /** Whose is not, of those that are chosen. */
  unknown: { by: string; kind: 'resin' | 'powder'; id: string }[];
  /** Undefined while none is known. */
  both: Reconciled | undefined;
  /** A programme that was written for another powder or resin. */
  notes: Phrase[];
}

/** What wax asks for that hangs beside the prints, by the book's programme for the widest flask. */
function waxAsks({ flasks }: PourContext): AskedProgramme | undefined {
  const book = waxProgramme(Math.max(0, ...flasks.map(({ flask }) => flask?.innerDiameterMm ?? 0)));
  return book && { by: 'The wax, by the book', segments: book.segments };
}

/** Reconciles what is in the records (handbook 07). A wax needs none of the resin's: its maker is not asked. */
export function planMakers(context: PourContext): MakersPlan {
  const { powder } = context;
  const resins = burntResins(context);
  const makers = [
    ...resins.map((resin) => ({ by: resin.name, kind: 'resin' as const, of: resin, other: powder?.name })),
    ...(powder ? [{ by: powder.name, kind: 'powder' as const, of: powder, other: resins[0]?.name }] : []),
  ];
  const asked = makers.flatMap(({ by, of }): AskedProgramme[] =>
    of.makerProgramme ? [{ by, segments: of.makerProgramme.segments }] : [],
  );
  const wax = context.doc.burnout.alongside?.wax ? waxAsks(context) : undefined;
  if (wax) asked.push(wax);
  const notes = makers.flatMap(({ by, of, other }) => {
    const assumes = of.makerProgramme?.assumes ?? '';
    const same = other !== undefined && assumes.toLowerCase() === other.toLowerCase();
    return assumes === '' || same || other === undefined
      ? []
      : [say`${by}’s was written for ${assumes}; here it meets ${other}.`];
  });
  return {
    known: asked.map(({ by }) => by),
    unknown: makers.flatMap(({ by, kind, of }) => (of.makerProgramme ? [] : [{ by, kind, id: of.id }])),
    both: asked.length > 0 ? reconcileProgrammes(asked, powder?.ceilingC ?? GYPSUM_CEILING_C) : undefined,
    notes,
  };
}
