import { FLAW_KINDS, type FlawKind } from '../result';

/** Words of a flaw as they stand on scraps, by what they mean here; the first that fits is taken. */
const SAID: readonly [words: RegExp, kind: FlawKind][] = [
  [/\bash\b|residue|carbon|soot/, 'ash pitting'],
  [/\bpits?\b|pitt/, 'ash pitting'],
  [/\bsand|gritty|rough surface|roughness/, 'sand-like roughness'],
  [/\bfins?\b|flash|cracked mold|veins?\b/, 'fin or flash'],
  [/broke|snapped|detail (?:gone|lost)/, 'broken-away detail'],
  [/fell in|fallen|mold collapse/, 'investment fallen in'],
  [/inclusion|debris|dirt|investment in/, 'debris cast in'],
  [/nodule|blobs?\b/, 'nodule'],
  [/bubble|beads?\b/, 'bubble beads'],
  [/misrun|no ?fill|non-?fill|incomplete|short|missing|did not fill/, 'misrun'],
  [/cold shut|lap\b|seam/, 'cold shut'],
  [/shrink|sponge|dent/, 'shrinkage dent or sponge'],
  [/poro|gas|pinhole/, 'gas pores'],
  [/letter|engraving/, 'metal in lettering'],
  [/\brim\b|edge rough/, 'rough rim'],
  [/layer|lines?\b|steps?\b/, 'layer lines'],
  [/distort|warp|bent|twisted/, 'distorted'],
  [/crack|tear|torn/, 'cracked'],
];

/** The flaw that a word on a scrap means; undefined for a word that is none of those that are known. */
export function readFlaw(text: string): FlawKind | undefined {
  const plain = text.trim().toLowerCase();
  if (plain === '') return undefined;
  return FLAW_KINDS.find((kind) => kind === plain) ?? SAID.find(([words]) => words.test(plain))?.[1];
}

/** Flaws of a cell, which may name several: "ash, fins". What is not known is handed back as it stands. */
export function readFlaws(text: string): { flaws: FlawKind[]; unknown: string[] } {
  const parts = text
    .split(/[,;+/&]|\band\b/i)
    .map((part) => part.trim())
    .filter((part) => part !== '' && !/^(?:-|–|none|no|ok|n\/a)$/i.test(part));
  const read = parts.map((part) => [part, readFlaw(part)] as const);
  return {
    flaws: [...new Set(read.flatMap(([, kind]) => kind ?? []))],
    unknown: read.flatMap(([part, kind]) => (kind ? [] : part)),
  };
}
