import { pouredAt, type Pour, type ShopFile } from '@zero-pour/contracts';
import {
  drivenSegments,
  KilnBody,
  KilnDrive,
  MIDDLE_TO_5,
  pourTemperatures,
  USUAL_KILN,
  type Segment,
} from '@zero-pour/core';
import { demoId } from './demoId';
import { DEMO_LISTS } from './shop';

/** Kiln 1 is well insulated and a little weak: it cools slowly and lags near its peak. */
const KILN_1 = { ...USUAL_KILN, powerW: 1500, lossWPerK: 1.1 };
const EVERY_S = 60;
/** A probe plays by so much. °C */
const PLAY_C = 0.6;

interface Night {
  pour: number;
  /** The power was out, h after kiln in. */
  out?: [from: number, to: number];
}
const NIGHTS: readonly Night[] = [{ pour: 27, out: [9.4, 10.1] }, { pour: 28 }];

/** Logs of two nights of Kiln 1 as its machine wrote them, from kiln in to the pour. */
export function demoKilnRuns(pours: readonly Pour[]): ShopFile['kilnRuns'] {
  return NIGHTS.flatMap(({ pour: number, out }) => {
    const pour = pours.find((one) => one.number === number);
    const { burnout } = pour?.doc ?? {};
    const programme = DEMO_LISTS.programme.find(({ id }) => id === burnout?.programmeId);
    const poured = pour && pouredAt(pour.doc);
    const alloy = DEMO_LISTS.alloy.find(({ id }) => id === pour?.doc.brief.alloyId);
    if (!pour || !burnout?.kilnId || !burnout.startedAt || !programme || !poured || !alloy) return [];
    const { lowC, highC } = pourTemperatures(alloy, pour.doc.brief.castClass).flask;
    const hours = (Date.parse(poured) - Date.parse(burnout.startedAt)) / 3_600_000;
    const day = burnout.startedAt.slice(0, 10);
    return [
      {
        id: demoId(`kiln run ${number}`),
        log: {
          ...{
            kilnId: burnout.kilnId,
            pourId: pour.id,
            name: `kiln-1 ${day}.csv`,
            startedAt: burnout.startedAt,
          },
          ...nightOf(programme.segments, { castingC: MIDDLE_TO_5.of({ L: lowC, H: highC }), hours, out }),
        },
      },
    ];
  });
}

interface Went {
  castingC: number;
  hours: number;
  out: readonly [number, number] | undefined;
}
function nightOf(segments: readonly Segment[], { castingC, hours, out }: Went) {
  const drive = new KilnDrive(new KilnBody(KILN_1));
  drive.begin(drivenSegments(segments, castingC));
  const count = Math.floor((hours * 3600) / EVERY_S);
  const rows = Array.from({ length: count + 1 }, (_, n) => {
    const h = (n * EVERY_S) / 3600;
    drive.troubles = { ...drive.troubles, powerOut: out !== undefined && h >= out[0] && h < out[1] };
    const { setC } = drive;
    const row = { atS: n * EVERY_S, tempC: drive.readingC + PLAY_C * Math.sin(n * 2.4), setC };
    drive.step(EVERY_S);
    return row;
  });
  const tenth = (value: number): number => Math.round(value * 10) / 10;
  return {
    atS: rows.map(({ atS }) => atS),
    tempC: rows.map(({ tempC }) => tenth(tempC)),
    setC: rows.map(({ setC }) => (setC === null ? null : tenth(setC))),
  };
}
