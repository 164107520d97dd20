import { ROOM_C } from '../burnout';
import { requireNumber } from '../numeric';

/** A small electric kiln as physics: what it stores, gains and loses. W, J/K, W/K, s. */
export interface KilnMake {
  powerW: number;
  /** Elements and the air round them, and the bricks behind. */
  elementJPerK: number;
  bricksJPerK: number;
  betweenWPerK: number;
  /** Through the walls, and more through a door that stands open. */
  lossWPerK: number;
  doorWPerK: number;
  /** The thermocouple follows the chamber with this time constant. */
  probeLagS: number;
}

/** A kiln of 7 litres as a casting shop has it (*shop default*, ours): 350 °C/h at 700 °C, shut it loses two thirds in 3 h. */
export const USUAL_KILN: KilnMake = {
  powerW: 2400,
  elementJPerK: 2500,
  bricksJPerK: 13000,
  betweenWPerK: 14,
  lossWPerK: 1.5,
  doorWPerK: 12,
  probeLagS: 25,
};

/** Longest step that is surely stable and exact enough. s */
const STEP_S = 2;
/** Two bodies, a probe: °C. */
export interface KilnHeat {
  chamberC: number;
  bricksC: number;
  probeC: number;
}

export class KilnBody {
  heat: KilnHeat;
  doorOpen = false;
  /** Its vents are stopped up: the bricks lose a third of what they should. */
  failsToCool = false;

  constructor(
    readonly make: KilnMake = USUAL_KILN,
    startC: number = ROOM_C,
  ) {
    requireNumber('startC', startC, -40, 1300);
    this.heat = { chamberC: startC, bricksC: startC, probeC: startC };
  }

  /** Through some seconds with a share of its power, 0 to 1. */
  step(seconds: number, duty: number): void {
    const { make } = this;
    const count = Math.max(1, Math.ceil(seconds / STEP_S));
    const dt = seconds / count;
    const lossWPerK = make.lossWPerK * (this.failsToCool ? 1 / 3 : 1);
    for (let n = 0; n < count; n++) {
      const { chamberC, bricksC, probeC } = this.heat;
      const into = make.powerW * Math.min(1, Math.max(0, duty));
      const across = make.betweenWPerK * (chamberC - bricksC);
      const outDoor = this.doorOpen ? make.doorWPerK * (chamberC - ROOM_C) : 0;
      this.heat = {
        chamberC: chamberC + (dt * (into - across - outDoor)) / make.elementJPerK,
        bricksC: bricksC + (dt * (across - lossWPerK * (bricksC - ROOM_C))) / make.bricksJPerK,
        probeC: probeC + (dt * (chamberC - probeC)) / make.probeLagS,
      };
    }
  }
}
