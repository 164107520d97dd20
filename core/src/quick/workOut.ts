import { flaskVolumeMl, ROUND_ML } from '../flask';
import { MIX_WASTE_PERCENT, mixSlurry, POWDER } from '../invest';
import { CHARGE_PART, volumeOfWeighedPrint } from '../metal';
import {
  celsiusToFahrenheit,
  formatHours,
  GRAMS_PER_DWT,
  GRAMS_PER_OZT,
  InputError,
  MM_PER_INCH,
  quantity,
  requireNumber,
  requirePositive,
  say,
  type Phrase,
  type Quantity,
} from '../numeric';
import { printTime } from '../print';
import { RING_SYSTEM_NAMES, ringSizesNear } from '../scale';
import { formula, inNumbers } from '../working';
import type { Converted, QuickMetal, QuickSum } from './sums';

/** One line of an answer: a number in the reader's units, or words that are the same in all of them. */
export type SumLine = { name: string } & ({ quantity: Quantity } | { words: string });

/** What a sum comes to, the most wanted first, and how. */
export interface SumAnswer {
  lines: SumLine[];
  working: Phrase[];
}

const line = (name: string, value: number, unit: Quantity['unit'], digits?: number): SumLine => ({
  name,
  quantity: quantity(value, unit, digits),
});
const words = (name: string, text: string): SumLine => ({ name, words: text });

function slurry({
  diameterMm,
  heightMm,
  treeMl,
  ratio,
  flasks = 1,
  boricPercent,
}: Extract<QuickSum, { kind: 'slurry' }>): SumAnswer {
  requireNumber('flasks', flasks, 1, 50);
  const ofAll = flasks > 1 ? `, ${flasks} flasks` : '';
  const flaskMl = flaskVolumeMl(diameterMm, heightMm);
  const mix = mixSlurry(flaskMl, treeMl, ratio);
  return {
    lines: [
      line(`Powder${ofAll}`, flasks * mix.powderG, 'g', 0),
      line(`Water${ofAll}`, flasks * mix.waterG, 'ml', 0),
      ...(boricPercent === undefined
        ? []
        : [
            line(
              `Boric acid${ofAll}`,
              (flasks * mix.powderG * requireNumber('boricPercent', boricPercent, 0, 20)) / 100,
              'g',
              1,
            ),
          ]),
      line('Flask holds', flaskMl, 'ml', 0),
    ],
    working: [
      say`flask: ${inNumbers(ROUND_ML, { D: quantity(diameterMm, 'mm', 1), H: quantity(heightMm, 'mm', 1) })} = ${quantity(flaskMl, 'ml', 1)}`,
      say`powder: ${inNumbers(POWDER, {
        ρ: quantity(mix.slurryGPerMl, 'gPerCm3'),
        F: quantity(flaskMl, 'ml', 1),
        T: quantity(treeMl, 'ml', 1),
        w: quantity(MIX_WASTE_PERCENT, 'percent', 0),
        r: quantity(ratio, 'ratio'),
      })} g; slurry of ${ratio} water to powder, ${MIX_WASTE_PERCENT} % stays in the bowl`,
    ],
  };
}

function metal(
  volumeCm3: number,
  { name, densityGPerCm3, lossPercent }: QuickMetal,
  from: Phrase,
): SumAnswer {
  requirePositive('volumeCm3', volumeCm3);
  const ρ = requirePositive('densityGPerCm3', densityGPerCm3);
  const l = requireNumber('lossPercent', lossPercent, 0, 50);
  const castG = CHARGE_PART.of({ ρ, V: volumeCm3, l: 0 });
  const weighG = CHARGE_PART.of({ ρ, V: volumeCm3, l });
  return {
    lines: [line(`Weigh, ${name}`, weighG, 'g'), line('Of this in the casting', castG, 'g')],
    working: [
      from,
      say`${inNumbers(CHARGE_PART, {
        ρ: quantity(ρ, 'gPerCm3'),
        V: quantity(volumeCm3, 'cm3'),
        l: quantity(l, 'percent', 1),
      })} g, with the melt loss; a button or sprues that were not weighed come on top`,
    ],
  };
}

function ring(diameterMm: number): SumAnswer {
  requireNumber('diameterMm', diameterMm, 8, 40);
  const sizes = ringSizesNear(diameterMm);
  const off = (mm: number): string =>
    Math.abs(mm) < 0.005 ? '' : ` (${mm > 0 ? '+' : '−'}${Math.abs(mm).toFixed(2)} mm)`;
  return {
    lines: [
      line('Inner diameter', diameterMm, 'mm'),
      line('Circumference', Math.PI * diameterMm, 'mm'),
      ...sizes.map(({ system, size, offMm }) => words(RING_SYSTEM_NAMES[system], `${size}${off(offMm)}`)),
    ],
    working: [say`nearest named size of each system; in brackets how much larger or smaller that is`],
  };
}

const KPA_PER_INHG = 3.386389;

function units(value: number, unit: Converted): SumAnswer {
  const number = (v: number, digits: number, suffix: string): string =>
    `${Number(v.toFixed(digits))} ${suffix}`;
  switch (unit) {
    case 'degC':
      return {
        lines: [
          words('Celsius', number(value, 1, '°C')),
          words('Fahrenheit', number(celsiusToFahrenheit(value), 1, '°F')),
        ],
        working: [say`°F = °C × 9/5 + 32`],
      };
    case 'g':
      return {
        lines: [
          words('Grams', number(value, 3, 'g')),
          words('Pennyweights', number(value / GRAMS_PER_DWT, 3, 'dwt')),
          words('Troy ounces', number(value / GRAMS_PER_OZT, 4, 'ozt')),
        ],
        working: [say`1 dwt = 1.55517384 g, 1 ozt = 31.1034768 g`],
      };
    case 'mm':
      return {
        lines: [
          words('Millimetres', number(value, 3, 'mm')),
          words('Inches', number(value / MM_PER_INCH, 4, 'in')),
        ],
        working: [say`1 in = 25.4 mm`],
      };
    case 'kPa':
      return {
        lines: [
          words('Kilopascals', number(value, 2, 'kPa')),
          words('Inches of mercury', number(value / KPA_PER_INHG, 2, 'inHg')),
        ],
        working: [say`1 inHg = 3.386 kPa`],
      };
  }
}

/** Mass balance of gold (handbook 05): to lower, alloy metal without gold is added; to raise, fine gold. */
const LOWER = formula`${'m'} × (${'f'} − ${'t'}) / ${'t'}`;
const RAISE = formula`${'m'} × (${'t'} − ${'f'}) / (24 − ${'t'})`;

function karat({ massG, fromCt, toCt }: Extract<QuickSum, { kind: 'karat' }>): SumAnswer {
  const m = requirePositive('massG', massG);
  const f = requireNumber('fromCt', fromCt, 0, 24);
  const t = requireNumber('toCt', toCt, 0.1, 24);
  const lower = t <= f;
  if (!lower && t >= 24) throw new InputError('toCt', 'below 24 to be reached by adding fine gold', toCt);
  const added = lower ? LOWER : RAISE;
  const addG = added.of({ m, f, t });
  const carats = (value: number) => quantity(value, 'count', Number.isInteger(value) ? 0 : 1);
  return {
    lines: [
      line(lower ? 'Add alloy metal' : 'Add fine gold', addG, 'g', 2),
      line(`All, ${toCt} ct`, massG + addG, 'g', 2),
      words('Fineness', `${((toCt / 24) * 1000).toFixed(0)} of 1000`),
    ],
    working: [say`${inNumbers(added, { m: quantity(m, 'g'), f: carats(f), t: carats(t) })} g`],
  };
}

function print({ heightMm, layerMm, exposureS, motionS }: Extract<QuickSum, { kind: 'print' }>): SumAnswer {
  const profile = {
    layerMm,
    exposureS,
    motionS,
    baseExposureS: exposureS,
    baseLayers: 0,
    transitionLayers: 0,
  };
  const { layers, seconds } = printTime(heightMm, profile);
  return {
    lines: [words('Prints in', formatHours(seconds / 3600)), words('Layers', String(layers))],
    working: [say`${layers} layers × (${exposureS} s + ${motionS} s); base layers come on top`],
  };
}

const DAY_MIN = 24 * 60;

function pourTime({ startMin, hours }: Extract<QuickSum, { kind: 'pour time' }>): SumAnswer {
  const end = Math.round(
    requireNumber('startMin', startMin, 0, DAY_MIN) + requireNumber('hours', hours, 0, 500) * 60,
  );
  const days = Math.floor(end / DAY_MIN);
  const clock = `${String(Math.floor((end % DAY_MIN) / 60)).padStart(2, '0')}:${String(end % 60).padStart(2, '0')}`;
  const day = days === 0 ? 'the same day' : days === 1 ? 'the next day' : `${days} days later`;
  return { lines: [words('Pour', `${clock}, ${day}`)], working: [say`start + ${formatHours(hours)}`] };
}

/** Works a quick sum out. Throws InputError for figures that cannot be. */
export function workOut(sum: QuickSum): SumAnswer {
  switch (sum.kind) {
    case 'slurry':
      return slurry(sum);
    case 'metal from weight':
      return metal(
        volumeOfWeighedPrint(sum.modelG, sum.modelGPerMl),
        sum.metal,
        say`${quantity(sum.modelG, 'g')} at ${quantity(sum.modelGPerMl, 'gPerCm3')}`,
      );
    case 'metal from volume':
      return metal(sum.volumeCm3, sum.metal, say`volume as given`);
    case 'ring':
      return ring(sum.diameterMm);
    case 'units':
      return units(sum.value, sum.unit);
    case 'karat':
      return karat(sum);
    case 'print':
      return print(sum);
    case 'pour time':
      return pourTime(sum);
  }
}
