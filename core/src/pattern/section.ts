/** A place on the way of the metal: where, how wide, and its modulus V/A within 1.5 widths. */
export interface Section {
  at: [number, number, number];
  widthMm: number;
  modulusMm: number;
}
