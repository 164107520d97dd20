import type { CleanKind, CleanStep } from './steps';

/** How a print looks, against how the resin's record says that it should. */
export const LOOKS = ['fine', 'shiny', 'tacky', 'wet at supports', 'spots', 'dark'] as const;
export type Look = (typeof LOOKS)[number];

export const LOOK_WORDS: Readonly<Record<Look, string>> = {
  fine: 'as it should be',
  shiny: 'wet or shiny',
  tacky: 'tacky',
  'wet at supports': 'wet where supports stood',
  spots: 'spots of another colour',
  dark: 'darker than it should be',
};

/** What follows from a look: the step of the protocol to go back to, if any, and why. */
export interface AfterLook {
  backTo: number | null;
  says: string;
}

/** These are done again on the way back to a look; dripping and cutting are not. */
const AGAIN: readonly CleanKind[] = ['wash', 'rinse', 'dry', 'rest', 'cure'];

const lastBefore = (protocol: readonly CleanStep[], at: number, kind: CleanKind): number | null => {
  const found = protocol.slice(0, at).findLastIndex((step) => step.kind === kind);
  return found < 0 ? null : found;
};

/** What can be seen at a look of the protocol: supports are spoken of once they are off, colours once it is cured. */
export function looksAt(protocol: readonly CleanStep[], at: number): Look[] {
  const cured = lastBefore(protocol, at, 'cure') !== null;
  const cut = lastBefore(protocol, at, 'supports') !== null;
  return LOOKS.filter((look) => {
    if (look === 'wet at supports') return cut && !cured;
    return look === 'spots' || look === 'dark' ? cured : true;
  });
}

/**
 * Where a look sends the print (handbook 04, "Clean"): what is wet, shiny or tacky is washed again before it is given
 * more light, since residue and too much light both spoil castings; uncured spots are cured again.
 */
export function afterLook(protocol: readonly CleanStep[], at: number, saw: Look): AfterLook {
  switch (saw) {
    case 'fine':
      return { backTo: null, says: '' };
    case 'dark':
      return { backTo: null, says: 'It had too much light: cast it as a test.' };
    case 'spots':
      return {
        backTo: lastBefore(protocol, at, 'cure'),
        says: 'Uncured in spots: cure again, the spots to the light.',
      };
    case 'wet at supports':
      return {
        backTo: lastBefore(protocol, at, 'wash'),
        says: 'Resin ran out of the stubs: back to the bath.',
      };
    case 'shiny':
    case 'tacky':
      return {
        backTo: lastBefore(protocol, at, 'wash'),
        says: 'Residue: wash again before giving more light.',
      };
  }
}

/** Steps from where a look sends back, to that look again. */
export const stepsAgain = (protocol: readonly CleanStep[], from: number, look: number): number[] =>
  protocol.flatMap((step, i) =>
    i === look || (i >= from && i < look && AGAIN.includes(step.kind)) ? [i] : [],
  );
