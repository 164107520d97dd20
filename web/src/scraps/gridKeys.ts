import type { GridModel } from './gridModel';

interface Editing {
  edit: (text: string) => void;
  leave: (keep: boolean) => void;
  isEditing: () => boolean;
}
const PAGE_ROWS = 10;

/** What keys do in the grid, as in a spreadsheet. */
export function gridKeys(
  grid: GridModel,
  { edit, leave, isEditing }: Editing,
): (event: KeyboardEvent) => void {
  const { moveBy } = grid;
  /** Keys that leave a cell that is typed in, and keep it. */
  const leaving: Record<string, () => void> = {
    Enter: () => moveBy(1, 0),
    ArrowDown: () => moveBy(1, 0),
    ArrowUp: () => moveBy(-1, 0),
  };
  const moving = (key: string, extend: boolean): (() => void) | undefined =>
    ({
      ArrowDown: () => moveBy(1, 0, extend),
      ArrowUp: () => moveBy(-1, 0, extend),
      ArrowLeft: () => moveBy(0, -1, extend),
      ArrowRight: () => moveBy(0, 1, extend),
      PageDown: () => moveBy(PAGE_ROWS, 0, extend),
      PageUp: () => moveBy(-PAGE_ROWS, 0, extend),
      Home: () => moveBy(0, -1e6, extend),
      End: () => moveBy(0, 1e6, extend),
      Enter: () => moveBy(1, 0),
      F2: () => edit(grid.at(grid.cursor.value)),
      Delete: grid.clear,
      Backspace: grid.clear,
    })[key];
  const withControl: Record<string, () => void> = { z: grid.undo, d: grid.fillDown };

  function whileTyping(event: KeyboardEvent): boolean {
    if (event.key === 'Escape') leave(false);
    else if (event.key === 'Tab') {
      leave(true);
      grid.step(event.shiftKey ? -1 : 1);
    } else if (leaving[event.key]) {
      leave(true);
      leaving[event.key]!();
    } else return false;
    return true;
  }
  function atRest(event: KeyboardEvent): boolean {
    const control = event.ctrlKey || event.metaKey;
    const work = control ? withControl[event.key.toLowerCase()] : moving(event.key, event.shiftKey);
    if (work) work();
    // Out of the grid by Tab at its corners: nobody is caught in it.
    else if (event.key === 'Tab' && !control && canStep(grid, event.shiftKey))
      grid.step(event.shiftKey ? -1 : 1);
    else if (event.key.length === 1 && !control && !event.altKey) edit(event.key === ' ' ? '' : event.key);
    else return false;
    return true;
  }
  return (event) => {
    if (isEditing() ? whileTyping(event) : atRest(event)) {
      event.preventDefault();
      event.stopPropagation();
    }
  };
}

const canStep = ({ cursor, rows }: GridModel, back: boolean): boolean =>
  back ? cursor.value.row > 0 || cursor.value.column > 0 : cursor.value.row < rows.value.length;
