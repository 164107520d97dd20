const NO_ROOM =
  'This browser has no room left to keep what waits: it is in this window only. Do not close it before it is sent.';

let say: (sentence: string) => void = () => {};
/** Who says it, at the foot of the page. */
export const sayNoRoom = (speaker: (sentence: string) => void): void => void (say = speaker);

/** Something found no room in this browser, and lasts as long as this window. */
export const noRoomLeft = (): void => say(NO_ROOM);
