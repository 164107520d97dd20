import { STANDARD_VIEWS, type PartScene, type StandardView } from './partScene';

const TURN = 0.2;
const KEYS: Record<string, (s: PartScene) => void> = {
  ArrowLeft: (s) => s.turn(-TURN, 0),
  ArrowRight: (s) => s.turn(TURN, 0),
  ArrowUp: (s) => s.turn(0, TURN),
  ArrowDown: (s) => s.turn(0, -TURN),
  '+': (s) => s.zoom(1.2),
  '-': (s) => s.zoom(1 / 1.2),
  f: (s) => s.fit(),
};
const views = Object.keys(STANDARD_VIEWS) as StandardView[];
views.forEach((name, n) => (KEYS[String(n + 1)] = (s) => s.view(name)));

/** What the keys of a view say aloud. */
export const SCENE_KEYS_HELP =
  'Arrow keys turn it, plus and minus zoom, F fits, 1 to 6 look at it facing you, from the far side, left, right, above and under.';

/** Turns, zooms or sets the view by key; other keys are left to the page. */
export function onSceneKey(scene: PartScene | undefined, event: KeyboardEvent): void {
  const act = KEYS[event.key];
  if (!act || !scene || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  event.stopPropagation();
  act(scene);
}
