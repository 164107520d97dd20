import type { House, PourDoc, Settings } from '@zero-pour/contracts';

/** The casting house that a pour goes to; undefined: it is burnt out and poured here. */
export const houseOf = ({ doc, settings }: { doc: PourDoc; settings: Settings }): House | undefined =>
  settings.houses?.find(({ key }) => key === doc.burnout.houseKey);
