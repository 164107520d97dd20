/** What shops put a print into to cure it under a liquid. */
export const CURE_VESSELS = ['none', 'glass', 'clear plastic', 'other'] as const;
export type CureVessel = (typeof CURE_VESSELS)[number];

/** Window glass holds back light shorter than this, nm (handbook 04: near-visible light passes glass, short UV does not). */
export const GLASS_PASSES_NM = 385;

/** Whether the vessel keeps the lamp's light from the print; not where the wavelength is unknown. */
export const vesselBlocks = (vessel: CureVessel, lampNm: number | null): boolean =>
  vessel === 'glass' && lampNm !== null && lampNm < GLASS_PASSES_NM;
