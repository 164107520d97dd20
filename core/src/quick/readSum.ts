import { METRIC, readQuantity, type Unit, type UnitChoice } from '../numeric';
import { ringDiameterMm, type RingSystem } from '../scale';
import { CONVERTED, USUAL_MOTION_S, USUAL_RATIO, WAX_G_PER_ML, type QuickMetal, type QuickSum } from './sums';

/** What a typed line may name. */
export interface KnownNames {
  metals: readonly QuickMetal[];
  resins: readonly { name: string; densityGPerMl: number }[];
}

export type ReadSum = { status: 'read'; sum: QuickSum } | { status: 'unclear' };

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const number = (text: string): number => Number(text.replace(',', '.'));
const UNCLEAR: ReadSum = { status: 'unclear' };
const read = (sum: QuickSum): ReadSum => ({ status: 'read', sum });

/** The first quantity of a unit in a line, written with its own unit: "12 g", "1/16 in". */
function quantityIn(text: string, unit: Unit, suffixes: string): number | undefined {
  const match = new RegExp(String.raw`((?:\d+\s+)?\d+\/\d+|${NUMBER})\s*(${suffixes})(?![a-z])`, 'i').exec(
    text,
  );
  if (!match) return undefined;
  const found = readQuantity(`${match[1]} ${match[2]}`, unit, METRIC);
  return found.status === 'read' ? found.value : undefined;
}
const WEIGHT = 'g|kg|dwt|ozt';
const weightIn = (text: string): number | undefined => quantityIn(text, 'g', WEIGHT);
const volumeIn = (text: string): number | undefined => quantityIn(text, 'cm3', 'cm3|cm³|ml|cc');

/** Words of a name that all stand in the line: "sterling" finds "Sterling silver" when nothing else does. */
function named<T extends { name: string }>(text: string, list: readonly T[]): T | undefined {
  const line = text.toLowerCase();
  const scored = list.map((item) => {
    const parts = item.name.toLowerCase().split(/[\s·]+/);
    return {
      item,
      hits: parts.filter((part) => part.length > 1 && line.includes(part)).length,
      of: parts.length,
    };
  });
  const best = scored.filter((s) => s.hits > 0).sort((a, b) => b.hits - a.hits || a.of - b.of)[0];
  return best?.item;
}

function readFlask(text: string, { resins }: KnownNames): QuickSum | undefined {
  const size = new RegExp(String.raw`(${NUMBER})\s*[x×]\s*(${NUMBER})`, 'i').exec(text);
  if (!size) return undefined;
  const rest = text.replace(size[0], ' ');
  const ratio = /(?:ratio|water)\s*(0[.,]\d+)/i.exec(rest);
  const weight = weightIn(rest);
  const density = named(rest.replace(/wax/i, ''), resins)?.densityGPerMl ?? WAX_G_PER_ML;
  return {
    kind: 'slurry',
    diameterMm: number(size[1]!),
    heightMm: number(size[2]!),
    treeMl: volumeIn(rest) ?? (weight ?? 0) / density,
    ratio: ratio ? number(ratio[1]!) : USUAL_RATIO,
  };
}

function readMetal(text: string, { metals, resins }: KnownNames): QuickSum | undefined {
  const metal = named(text, metals);
  if (!metal) return undefined;
  const volumeCm3 = volumeIn(text);
  if (volumeCm3 !== undefined) return { kind: 'metal from volume', volumeCm3, metal };
  const modelG = weightIn(text);
  if (modelG === undefined) return undefined;
  const resin = /\bwax\b/i.test(text) && !/resin|print/i.test(text) ? undefined : named(text, resins);
  return { kind: 'metal from weight', modelG, modelGPerMl: resin?.densityGPerMl ?? WAX_G_PER_ML, metal };
}

const RING_WORDS: Record<string, RingSystem> = {
  us: 'US',
  uk: 'UK',
  iso: 'ISO',
  eu: 'ISO',
  ch: 'CH',
  jp: 'JP',
};

function readRing(text: string): QuickSum | undefined {
  const system = /\b(us|uk|iso|eu|ch|jp)\s*([\w½¼¾.,+/ ]+)$/i.exec(text.trim());
  if (system) {
    try {
      return {
        kind: 'ring',
        diameterMm: ringDiameterMm(RING_WORDS[system[1]!.toLowerCase()]!, system[2]!.trim()),
      };
    } catch {
      return undefined;
    }
  }
  const mm = /\bring\b/i.test(text) ? quantityIn(text, 'mm', 'mm|in|"') : undefined;
  return mm === undefined ? undefined : { kind: 'ring', diameterMm: mm };
}

function readKarat(text: string): QuickSum | undefined {
  const change = new RegExp(
    String.raw`(${NUMBER})\s*(?:ct|k)?\s*(?:to|→|-)\s*(${NUMBER})\s*(?:ct|k)\b`,
    'i',
  ).exec(text);
  const massG = weightIn(text);
  if (!change || massG === undefined) return undefined;
  return { kind: 'karat', massG, fromCt: number(change[1]!), toCt: number(change[2]!) };
}

function readPrint(text: string): QuickSum | undefined {
  if (!/\bprint\b|\blayers?\b/i.test(text)) return undefined;
  const lengths = [...text.matchAll(new RegExp(String.raw`(${NUMBER})\s*mm`, 'gi'))].map((m) =>
    number(m[1]!),
  );
  const seconds = [...text.matchAll(new RegExp(String.raw`(${NUMBER})\s*s\b`, 'gi'))].map((m) =>
    number(m[1]!),
  );
  const [heightMm, layerMm] = [Math.max(...lengths), Math.min(...lengths)];
  if (lengths.length < 2 || seconds.length === 0 || heightMm === layerMm) return undefined;
  return { kind: 'print', heightMm, layerMm, exposureS: seconds[0]!, motionS: seconds[1] ?? USUAL_MOTION_S };
}

function readPourTime(text: string): QuickSum | undefined {
  const match = /(\d{1,2}):(\d{2})\s*\+\s*(?:(\d{1,3}):(\d{2})|(\d+(?:[.,]\d+)?)\s*h?)\s*$/i.exec(
    text.trim(),
  );
  if (!match || Number(match[1]) > 23 || Number(match[2]) > 59) return undefined;
  const hours = match[3] !== undefined ? Number(match[3]) + Number(match[4]) / 60 : number(match[5]!);
  return { kind: 'pour time', startMin: Number(match[1]) * 60 + Number(match[2]), hours };
}

const UNIT_SUFFIX: Record<(typeof CONVERTED)[number], RegExp> = {
  degC: /(?:°\s*[cf]|\d\s*[cf])$/i,
  g: /(?:g|dwt|ozt)$/i,
  mm: /(?:mm|cm|in|inch|")$/i,
  kPa: /(?:kpa|mbar|bar|inhg)$/i,
};

function readUnits(text: string, choice: UnitChoice): QuickSum | undefined {
  for (const unit of ['kPa', 'degC', 'mm', 'g'] as const) {
    if (!UNIT_SUFFIX[unit].test(text)) continue;
    const found = readQuantity(text, unit, choice);
    if (found.status === 'read') return { kind: 'units', value: found.value, unit };
  }
  return undefined;
}

/**
 * Reads a sum typed in one line, where it is clear: "flask 76x102 tree 12 g wax", "sterling 12 g wax", "ring US 7",
 * "1350 F", "10 g 24 to 14 ct", "print 20 mm 0.05 mm 3 s", "21:00 + 12:30".
 */
export function readSum(line: string, names: KnownNames, choice: UnitChoice): ReadSum {
  const text = line.trim().replace(/\s+/g, ' ');
  const sum =
    readPourTime(text) ??
    readFlask(text, names) ??
    readKarat(text) ??
    readPrint(text) ??
    readRing(text) ??
    readUnits(text, choice) ??
    readMetal(text, names);
  return sum ? read(sum) : UNCLEAR;
}
