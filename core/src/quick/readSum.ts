import { InputError } from '../numeric';
import { ringDiameterMm, type RingSystem } from '../scale';
import { IDLE, Line, stop, Stopped, type KnownNames, type ReadSum } from './line';
import { namesIn, wordsOf } from './namesIn';
import { show, tidy } from './shown';
import { USUAL_MOTION_S, USUAL_RATIO, WAX_G_PER_ML, type Converted } from './sums';
import type { Token } from './tokens';

const RING_SYSTEMS: Readonly<Record<string, RingSystem>> = {
  us: 'US',
  uk: 'UK',
  iso: 'ISO',
  eu: 'ISO',
  ch: 'CH',
  jp: 'JP',
};

/** What a weighed model is of: wax, or a resin by its name; its density decides. */
function modelOf(line: Line): { name: string; gPerMl: number } {
  const { resins } = line.names;
  // "wax" alone is wax; with another word of a resin's name it is that resin.
  const words = line.words.filter((word) => word !== 'wax');
  const { fitting, said } = namesIn(
    words.filter((word) => !IDLE.has(word)),
    resins,
  );
  if (fitting.length === 1) {
    line.placeWords([...said, 'wax']);
    return { name: fitting[0]!.name, gPerMl: fitting[0]!.densityGPerMl };
  }
  if (fitting.length > 1) askWhich('Which resin', line, said, fitting.map(({ name }) => name)); // prettier-ignore
  if (line.says('resin', 'print', 'printed')) {
    if (resins.length === 1) return { name: resins[0]!.name, gPerMl: resins[0]!.densityGPerMl };
    if (resins.length === 0)
      stop('No resin is in the shop, so its density is not known. Add one, or weigh wax.');
    askWhich('Which resin', line, ['resin', 'print', 'printed'], resins.map(({ name }) => name)); // prettier-ignore
  }
  return { name: 'wax', gPerMl: WAX_G_PER_ML };
}

/** The same line with each of the names in place of what was said. */
function askWhich(question: string, line: Line, said: readonly string[], names: readonly string[]): never {
  const isSaid = (t: Token): boolean =>
    (t.type === 'word' && said.includes(t.word)) || (t.type === 'karat' && said.includes(`${t.value}ct`));
  const rest = line.tokens.filter((t) => !isSaid(t)).map((t) => t.text).join(' '); // prettier-ignore
  throw new Stopped({
    status: 'ask',
    question: `${question}?`,
    lines: names.slice(0, 8).map((name) => `${name} ${rest}`.trim()),
  });
}

function weightOf(line: Line): number | undefined {
  const [ounces] = line.all('ounces');
  if (ounces) {
    const rest = (as: string): string => line.tokens.map((t) => (t === ounces ? as : t.text)).join(' ');
    throw new Stopped({
      status: 'ask',
      question: 'Troy ounces, as metal is sold, or kitchen ounces?',
      lines: [rest(`${tidy(ounces.value)} ozt`), rest(`${tidy(ounces.value * 28.349523)} g`)],
    });
  }
  return line.one('g', 'the weight');
}

function readFlask(line: Line): ReadSum | undefined {
  const [size] = line.all('size');
  if (!size) return undefined;
  line.place(size);
  const echo = [`flask ${tidy(size.firstMm)} × ${tidy(size.secondMm)} mm`];
  const flasks = flasksOf(line);
  if (flasks > 1) echo.unshift(`${flasks} flasks`);
  const boricPercent = boricOf(line);
  const ratio = ratioOf(line);
  const volume = line.one('ml', 'the tree');
  const weight = volume === undefined ? weightOf(line) : undefined;
  let treeMl = volume ?? 0;
  if (volume !== undefined) echo.push(`tree ${show(volume, 'ml')}`);
  else if (weight !== undefined) {
    const model = modelOf(line);
    treeMl = weight / model.gPerMl;
    echo.push(`tree ${show(weight, 'g')} of ${model.name}`);
  } else echo.push('no tree taken off');
  echo.push(
    ratio === undefined ? `water to powder ${USUAL_RATIO}, as usual` : `water to powder ${tidy(ratio)}`,
  );
  if (boricPercent !== undefined) echo.push(`boric acid ${tidy(boricPercent)} % of the powder`);
  return line.finish(
    {
      kind: 'slurry',
      diameterMm: size.firstMm,
      heightMm: size.secondMm,
      treeMl,
      ratio: ratio ?? USUAL_RATIO,
      ...(flasks > 1 ? { flasks } : {}),
      ...(boricPercent === undefined ? {} : { boricPercent }),
    },
    echo,
  );
}

function flasksOf(line: Line): number {
  const at = line.tokens.findIndex((t) => t.type === 'word' && (t.word === 'flasks' || t.word === 'flask'));
  const before = line.tokens[at - 1];
  if (before?.type !== 'number' || !Number.isInteger(before.value)) return 1;
  return line.place(before).value;
}

function boricOf(line: Line): number | undefined {
  const at = line.tokens.findIndex((t) => t.type === 'word' && t.word === 'boric');
  if (at < 0) return undefined;
  const away = (t: Token): number => line.tokens.indexOf(t) - at;
  const near = line.all('percent').filter((t) => Math.abs(away(t)) <= 2);
  const percent = near.find((t) => away(t) > 0) ?? near[0];
  return percent ? line.place(percent).value : stop('How many percent of boric acid?');
}

/** "ratio 0.38", "ratio 38", "38 %", "38:100": parts of water to a hundred of powder, or to one. */
function ratioOf(line: Line): number | undefined {
  const [colon] = line.all('colon');
  if (colon) {
    line.place(colon);
    return colon.second > 0 ? colon.first / colon.second : stop('Water to how much powder?');
  }
  const [percent] = line.all('percent');
  if (percent) return line.place(percent).value / 100;
  const at = line.tokens.findIndex((t) => t.type === 'word' && (t.word === 'ratio' || t.word === 'water'));
  const [number] = line.all('number').filter((t) => at >= 0 && line.tokens.indexOf(t) > at);
  if (!number) return undefined;
  const value = line.place(number).value;
  return value > 1 ? value / 100 : value;
}

/** Words that tell metals apart, whether or not the shop has one. */
const METAL_WORDS = new Set(
  'gold silver platinum palladium bronze brass copper pewter tin zinc sterling fine yellow white rose pink red green'.split(
    ' ',
  ),
);

function readMetal(line: Line): ReadSum | undefined {
  const words = line.words.filter((word) => !IDLE.has(word));
  const { fitting, said } = namesIn(words, line.names.metals);
  // A metal that the shop does not have is not another one that shares a word with it.
  const asked = words.filter(
    (word) => said.includes(word) || METAL_WORDS.has(word) || /^[\d.]+ct$/.test(word),
  );
  if (asked.length === 0) return undefined;
  const others = asked.some((word) => !said.includes(word));
  if (fitting.length === 0 || others)
    return stop(
      `No metal of the shop is ${asked.join(' ').replace(/(\d)ct\b/g, '$1 ct')}. Add it, or choose one of its metals below.`,
    );
  if (fitting.length > 1) askWhich('Which metal', line, said, fitting.map(({ name }) => name)); // prettier-ignore
  const metal = fitting[0]!;
  line.placeWords(said);
  // "gold", "silver" may be said on top of a name that does without.
  line.placeWords(['gold', 'silver', 'bronze', 'brass'].filter((word) => wordsOf(metal.name).includes(word)));
  const volumeCm3 = line.one('ml', 'the volume');
  if (volumeCm3 !== undefined)
    return line.finish({ kind: 'metal from volume', volumeCm3, metal }, [metal.name, show(volumeCm3, 'cm3')]);
  const modelG = weightOf(line);
  if (modelG === undefined) return stop(`${metal.name}: for how many grams of wax, or ml?`);
  const model = modelOf(line);
  if (!line.says('wax', 'waxes', 'resin', 'print', 'printed', 'model', 'tree') && model.name === 'wax')
    throw new Stopped({
      status: 'ask',
      question: `${show(modelG, 'g')} of what?`,
      lines: [`${line.text} wax`, ...line.names.resins.slice(0, 6).map(({ name }) => `${line.text} ${name}`)],
    });
  return line.finish({ kind: 'metal from weight', modelG, modelGPerMl: model.gPerMl, metal }, [
    metal.name,
    `${show(modelG, 'g')} of ${model.name}`,
  ]);
}

function readRing(line: Line): ReadSum | undefined {
  const match = /(?:^|\s)(us|uk|iso|eu|ch|jp)\s*((?:size\s*)?[\w½¼¾.,+/ -]+)$/i.exec(line.text);
  if (match) {
    const system = RING_SYSTEMS[match[1]!.toLowerCase()]!;
    const size = match[2]!.trim().replace(/^size\s*/i, '');
    const before = line.text.slice(0, match.index).toLowerCase().split(/\s+/).filter((w) => w !== '' && !IDLE.has(w)); // prettier-ignore
    if (before.length > 0) return undefined;
    try {
      return {
        status: 'read',
        sum: { kind: 'ring', diameterMm: ringDiameterMm(system, size) },
        echo: [`ring ${system} ${size}`],
      };
    } catch (error) {
      if (error instanceof InputError) return stop(`“${size}” is not a ${system} ring size.`);
      throw error;
    }
  }
  if (!line.says('ring', 'finger')) return undefined;
  const mm = line.one('mm', 'the ring');
  return mm === undefined
    ? undefined
    : line.finish({ kind: 'ring', diameterMm: mm }, [`ring ${show(mm, 'mm')}`]);
}

const FINE_CT = 24;
function readKarat(line: Line): ReadSum | undefined {
  const karats = line.all('karat');
  const fine = line.says('fine') && line.says('gold');
  const joined = line.tokens.some(
    (t) =>
      (t.type === 'sign' && t.sign !== '+') || (t.type === 'word' && (t.word === 'to' || t.word === 'into')),
  );
  const bare = line
    .all('number')
    .filter((t) => [8, 9, 10, 12, 14, 15, 18, 20, 21, 22, 23, 24].includes(t.value));
  if (!joined || line.says('wax', 'resin')) return undefined;
  // "24 to 14 ct": the first number has no sign of its own.
  const numbers = [...bare, ...karats].sort((a, b) => line.tokens.indexOf(a) - line.tokens.indexOf(b));
  const carats = fine && numbers.length === 1 ? [FINE_CT, numbers[0]!.value] : numbers.map((t) => t.value);
  if (karats.length === 0 || carats.length !== 2) return undefined;
  for (const token of numbers) line.place(token);
  if (fine) line.placeWords(['fine']);
  line.placeWords(['gold', 'yellow', 'rose', 'white']);
  const massG = weightOf(line);
  if (massG === undefined) return stop('How many grams of it?');
  const [fromCt, toCt] = carats as [number, number];
  return line.finish({ kind: 'karat', massG, fromCt, toCt }, [
    show(massG, 'g'),
    `from ${fromCt} ct to ${toCt} ct`,
  ]);
}

function readPrint(line: Line): ReadSum | undefined {
  if (!line.says('print', 'printed', 'layer', 'layers') || line.all('measure').every((t) => t.unit !== 's'))
    return undefined;
  const lengths = line.measures('mm');
  const seconds = line.measures('s');
  const [heightMm, layerMm] = [Math.max(...lengths), Math.min(...lengths)];
  if (lengths.length !== 2 || heightMm === layerMm) return stop('A print has a height and a layer height.');
  if (seconds.length > 2) return stop('Seconds of light, and of motion: no more.');
  const motionS = seconds[1] ?? USUAL_MOTION_S;
  return line.finish({ kind: 'print', heightMm, layerMm, exposureS: seconds[0]!, motionS }, [
    `${tidy(heightMm)} mm high`,
    `layers of ${tidy(layerMm)} mm`,
    `${seconds[0]!} s of light`,
    seconds[1] === undefined ? `${motionS} s of motion, as usual` : `${motionS} s of motion`,
  ]);
}

function readPourTime(line: Line): ReadSum | undefined {
  const [start, span] = line.all('colon');
  if (!start || !line.tokens.some((t) => t.type === 'sign' && t.sign === '+')) return undefined;
  if (start.first > 23 || start.second > 59) return stop(`“${start.text}” is no time of day.`);
  line.place(start);
  const [bare] = line.all('number');
  const hours = span
    ? line.place(span).first + span.second / 60
    : (line.one('h', 'the hours') ?? (bare && line.place(bare).value));
  if (hours === undefined) return stop('How many hours after?');
  return line.finish({ kind: 'pour time', startMin: start.first * 60 + start.second, hours }, [
    `from ${start.text}`,
    `${tidy(hours)} h later`,
  ]);
}

function readUnits(line: Line): ReadSum | undefined {
  const [measure, ...others] = line.all('measure');
  if (line.all('ounces').length > 0 && line.tokens.length === 1) weightOf(line);
  if (!measure || others.length > 0 || !['g', 'mm', 'degC', 'kPa'].includes(measure.unit)) return undefined;
  if (line.tokens.some((t) => t !== measure && t.type !== 'word')) return undefined;
  line.place(measure);
  const unit = measure.unit as Converted;
  return line.finish({ kind: 'units', value: measure.value, unit }, [measure.text]);
}

/** A bare fraction may be a ring's size or a length. */
function askBare(line: Line): void {
  const [only, ...more] = line.tokens;
  if (only?.type !== 'number' || more.length > 0) return;
  if (!/[/½¼¾]/.test(only.text)) return;
  throw new Stopped({
    status: 'ask',
    question: `${only.text} of what?`,
    lines: [`US ${only.text}`, `${only.text} in`],
  });
}

/**
 * Reads a sum typed in one line, where it is clear: "flask 76x102 tree 12 g wax", "sterling 12 g wax", "ring US 7",
 * "1350 F", "10 g 24 to 14 ct", "print 20 mm 0.05 mm 3 s", "21:00 + 12:30". Every piece of the line is placed or said not to
 * be; of several metals or resins that fit none is chosen.
 */
export function readSum(text: string, names: KnownNames): ReadSum {
  const tidied = text.trim().replace(/\s+/g, ' ');
  try {
    const line = new Line(tidied, names);
    if (line.tokens.length === 0) return { status: 'unclear', why: '' };
    askBare(line);
    return (
      readPourTime(line) ??
      readFlask(line) ??
      readRing(line) ??
      readKarat(line) ??
      readPrint(line) ??
      readMetal(line) ??
      readUnits(line) ??
      stop(`Not clear yet: ${hintFor(line)}`)
    );
  } catch (error) {
    if (error instanceof Stopped) return error.answer;
    throw error;
  }
}

function hintFor(line: Line): string {
  const strange = line.tokens.filter((t) => t.type === 'word' && !IDLE.has(t.word)).map((t) => t.text);
  return strange.length > 0
    ? `what is “${strange.join(' ')}”?`
    : 'name a metal, a flask, a ring, a print, or a unit.';
}
