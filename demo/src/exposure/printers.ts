import { usualPrinter, type Printer } from '@zero-pour/contracts';
import { demoId } from '../demoId';

const printer = (name: string, fields: Partial<Printer>): Printer => ({
  ...usualPrinter(),
  id: demoId(name),
  name,
  ...fields,
});

export const PRINTERS: Printer[] = [
  printer('Printer A', {
    motionS: 6.2,
    costPerH: 0.35,
    irradianceMwPerCm2: 2.6,
    needsLevelling: true,
    lightHours: 640,
    lightPrice: 90,
  }),
  printer('Printer B', {
    pixelUm: 19,
    plateXMm: 134,
    plateYMm: 75,
    plateZMm: 130,
    heatedVat: true,
    motionS: 7.4,
    costPerH: 0.6,
    irradianceMwPerCm2: 3.4,
    lightHours: 210,
    lightPrice: 160,
    note: 'Heated vat, 28 °C.',
  }),
  printer('Printer C', {
    light: 'projector',
    wavelengthNm: 385,
    pixelUm: 50,
    plateXMm: 96,
    plateYMm: 54,
    plateZMm: 100,
    motionS: 5.1,
    costPerH: 0.9,
    irradianceMwPerCm2: 9.5,
    lightRatedH: 20000,
    lightHours: 1900,
    lightPrice: 700,
  }),
];
