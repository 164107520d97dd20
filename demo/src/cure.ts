import type { CureSetup } from '@zero-pour/contracts';

/** The lamp under which this shop cures. */
export const DEMO_CURE: CureSetup = {
  lampNm: 405,
  litSides: 1,
  turntable: true,
  reflector: true,
  vessel: 'none',
};
