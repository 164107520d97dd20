import {
  GYPSUM_CEILING_C,
  reconcileProgrammes,
  say,
  type AskedProgramme,
  type Phrase,
  type Reconciled,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { burntResin } from '../givens';

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

/** Reconciles what is in the records (handbook 07). A wax needs none of the resin's: its maker is not asked. */
export function planMakers(context: PourContext): MakersPlan {
  const { powder } = context;
  const resin = burntResin(context);
  const makers = [
    ...(resin ? [{ by: resin.name, kind: 'resin' as const, of: resin, other: powder?.name }] : []),
    ...(powder ? [{ by: powder.name, kind: 'powder' as const, of: powder, other: resin?.name }] : []),
  ];
  const asked = makers.flatMap(({ by, of }): AskedProgramme[] =>
    of.makerProgramme ? [{ by, segments: of.makerProgramme.segments }] : [],
  );
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
