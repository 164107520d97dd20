/** One line where the risk arises, and more on demand (handbook 00, "Cautions"). */
export interface Caution {
  line: string;
  more: string;
}

const LOCAL =
  'Fire, ventilation, waste and pressure rules are local: check your local code; have gas, electrical and extraction work done by licensed people.';

const caution = (line: string, more: string): Caution => ({ line, more: `${more} ${LOCAL}` });

export const CAUTIONS = {
  resin: caution(
    'Liquid resin: gloves, eye protection, ventilation.',
    'Resin, washings and rinse water never go down the drain: cure leftovers solid and give them to the waste service.',
  ),
  alcohol: caution(
    'Alcohol is flammable: no flame, no ignition, no open heating.',
    'Keep baths covered, warm them only in a closed vessel in warm water, and away from UV lamps that spark.',
  ),
  uv: caution(
    'UV lamp: keep eyes and skin out of its light.',
    'Close the curing box before the lamp starts; amber shields stop the near-visible lamps, not bare eyes.',
  ),
  cutting: caution(
    'Clippers and blades: cut away from the hand; stubs fly, wear eye protection.',
    'Sanding cured resin makes fine dust: wet it or wear a fitted respirator.',
  ),
  powder: caution(
    'Dry powder: fitted respirator, wet wiping, no sweeping.',
    'Investment dust holds respirable crystalline silica, which harms lungs for good. No plaster down the sink: let it settle and bin it.',
  ),
  boric: caution(
    'Boric acid: gloves, no dust; it harms fertility and the unborn.',
    'Weigh it where nobody eats, wipe up wet, keep it from children. Local rules may forbid or limit its use: look them up.',
  ),
  burnout: caution(
    'Burnout fumes burn and poison: hood vented outside, never in a living space.',
    'Mind the clearances round the kiln. To open it hot: face shield, heat gloves, nobody in the way.',
  ),
  pour: caution(
    'Molten metal: dry tools, face shield, leather or aluminised apron, no synthetics, a second person near.',
    'Any dampness in a tool or mold explodes as steam. Overheated zinc alloys give off zinc fume. Never lead or cadmium. Nickel alloys may raise skin allergies.',
  ),
  quench: caution(
    'Quench: steam and spatter. Lower the flask with long tongs, face away.',
    'Face shield and gloves stay on until it is quiet.',
  ),
  press: caution(
    'Press, frame and rubber burn and crush: gloves, hands clear, and let it cool before it is opened.',
    'Hot rubber gives off fumes: air that moves. Set the press down slowly; the rubber pushes back as it softens.',
  ),
  knife: caution(
    'A fresh blade, drawn away from the hand that holds the mold; a cut-proof glove on that hand.',
    'Let the mold cool first, hold it in a clamp where one serves, and change a blade that drags: force is what slips.',
  ),
  silicone: caution(
    'Silicone and its catalyst: gloves, and air that moves; read its safety sheet.',
    'A vacuum chamber is looked at for cracks before every use, and never left running alone.',
  ),
  wax: caution(
    'Hot wax under pressure: eye protection, nothing in front of the nozzle, hands off the joint.',
    'Let the injector’s pressure off before it is filled or cleaned.',
  ),
} as const satisfies Record<string, Caution>;
export type CautionKey = keyof typeof CAUTIONS;
