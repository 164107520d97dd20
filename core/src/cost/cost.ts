import { requireNumber } from '../numeric';

export interface CostLine {
  what: string;
  amount: number;
}

export interface CostInput {
  resinG: number;
  resinPricePerKg: number;
  powderG: number;
  powderPricePerKg: number;
  printH: number;
  printerPerH: number;
  kilnH: number;
  kilnPerH: number;
  /** Metal lost in melting, not metal held. */
  metalLostG: number;
  metalPricePerG: number;
}

/** Cost of a pour by its parts, largest first (handbook 09); metal held is not a cost. */
export function costOfPour(input: CostInput): CostLine[] {
  for (const [name, value] of Object.entries(input)) requireNumber(name, value as number, 0);
  const lines: CostLine[] = [
    { what: 'Resin', amount: (input.resinG / 1000) * input.resinPricePerKg },
    { what: 'Powder', amount: (input.powderG / 1000) * input.powderPricePerKg },
    { what: 'Printer', amount: input.printH * input.printerPerH },
    { what: 'Kiln', amount: input.kilnH * input.kilnPerH },
    { what: 'Metal lost', amount: input.metalLostG * input.metalPricePerG },
  ];
  return lines.sort((a, b) => b.amount - a.amount);
}
