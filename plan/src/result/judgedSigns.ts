import { sign, type Evidence, type Judgement } from '@zero-pour/core';

/**
 * Judgements as signs for and against causes, by the rule that each is of: a rule names the sign that it is, itself or with what
 * it is about behind it ("feed 2"). Of several the worst that was found speaks; a rule that judged nothing gives no sign.
 */
export function judgedSigns(
  rules: Readonly<Record<string, string>>,
  judgements: readonly Judgement[],
): Evidence {
  const signs: Record<string, Evidence[string]> = {};
  for (const [rule, name] of Object.entries(rules))
    for (const { rule: of, weight, lead, why } of judgements) {
      if (of !== rule && !of.startsWith(`${rule} `)) continue;
      if (signs[name]?.state === 'bad') break;
      signs[name] = sign(weight !== 'ok', [`${lead} `, ...why]);
    }
  return signs;
}

/** Signs of several flasks or parts as one: what is bad of any of them is bad. */
export function worstOf(all: readonly Evidence[]): Evidence {
  const worst: Record<string, Evidence[string]> = {};
  for (const evidence of all)
    for (const [name, found] of Object.entries(evidence))
      if (found && worst[name]?.state !== 'bad') worst[name] = found;
  return worst;
}
