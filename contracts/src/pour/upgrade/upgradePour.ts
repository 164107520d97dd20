import { upgradeFirst } from './firstWording';
import { isTree } from './tree';
import { upgradeUsed } from './upgradeUsed';
import { upgradeToVersion2, type AroundPour } from './version2';

/**
 * A pour's document of any version that was ever written, in the shape of the present one: the one chain for what is
 * stored, imported, cached or waiting. Unchecked: the caller parses it. What is no pour's document is handed back as it
 * is, for the parser to refuse.
 */
export function upgradePour(json: unknown, around: AroundPour = {}): unknown {
  if (!isTree(json) || json['version'] !== 1) return json;
  if (!isTree(json['brief']) || !isTree(json['scale'])) return json;
  return upgradeToVersion2(upgradeFirst(json), around);
}

/** A stored or sent pour with its document upgraded; what it was made with tells its programme. */
export function upgradePourRow(json: unknown): unknown {
  if (!isTree(json)) return json;
  const used = isTree(json['used']) && isTree(json['used']['programme']) ? json['used']['programme'] : {};
  return {
    ...json,
    doc: upgradePour(json['doc'], { segments: used['segments'] }),
    ...('used' in json ? { used: upgradeUsed(json['used']) } : {}),
  };
}
