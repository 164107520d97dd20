import { BOOK_PROGRAMMES, fitProgramme, heatFlask, plasterOf, SHELL_MM } from '@zero-pour/core';
import { median, ms, table } from './table';

/** A stepped programme of 24 h: hours, °C. */
const STEPPED = [[0, 20], [1, 150], [3.5, 150], [6, 370], [8, 370], [12, 730], [17, 730], [19, 520], [24, 520]] as const; // prettier-ignore
const KILN = STEPPED.map(([h, tempC]) => ({ h, tempC }));
const FLASKS = [[51, 64], [76, 102], [102, 127], [125, 200], [152, 229]] as const; // prettier-ignore
const TIMES = 7;

/** A flask through a burnout of 24 h; limit 0.3 s for 76 × 102 mm. */
export async function measureHeat(): Promise<string> {
  const rows = FLASKS.map(([innerDiameterMm, heightMm]) => {
    const took: number[] = [];
    let cells = 0;
    let dryH: number | null = null;
    for (let n = 0; n < TIMES; n++) {
      const began = performance.now();
      const run = heatFlask({
        body: { innerDiameterMm, heightMm, shellMm: SHELL_MM },
        plaster: plasterOf(0.4),
        kiln: KILN,
        patternsMm: innerDiameterMm / 4,
      });
      took.push(performance.now() - began);
      cells = run.grid.nr * run.grid.nz;
      dryH = run.dryH;
    }
    return {
      'flask, mm': `${innerDiameterMm} × ${heightMm}`,
      cells,
      'first, cold': ms(took[0]!),
      'median of 7 (limit 300 at 76 × 102)': ms(median(took)),
      'dry after, h': dryH?.toFixed(1) ?? 'never',
    };
  });
  return `${table(rows)}\n\n${measureSearch()}`;
}

/** A search for a programme of a flask; limit 20 s. */
function measureSearch(): string {
  const { segments } = BOOK_PROGRAMMES[0]!;
  const rows = FLASKS.slice(1, 4).flatMap(([innerDiameterMm, heightMm]) =>
    (['mend', 'shortest'] as const).map((aim) => {
      let runs = 0;
      const began = performance.now();
      const found = fitProgramme(
        {
          flask: { body: { innerDiameterMm, heightMm, shellMm: SHELL_MM }, plaster: plasterOf(0.4), patternsMm: innerDiameterMm / 4 }, // prettier-ignore
          ...{ segments, castingC: 520, kiln: { maxRampCPerH: 400, coolTauH: 4 } },
          ...{ cleanOutH: 6, rampMaxCPerH: 120, ceilingC: 750, fastPowder: false, aim },
        },
        () => runs++,
      );
      const took = performance.now() - began;
      if (found.status !== 'found') throw new Error(found.why);
      return {
        'flask, mm': `${innerDiameterMm} × ${heightMm}`,
        search: aim,
        'heat runs': runs - 1,
        'search (limit 20 000)': ms(took),
        'hours, before → found': `${found.beforeH.toFixed(1)} → ${found.totalH.toFixed(1)}`,
      };
    }),
  );
  return table(rows);
}
