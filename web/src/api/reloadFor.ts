const DONE_FOR = 'zero-pour.reloaded-for';
let planned = false;

const isTyping = (): boolean =>
  document.activeElement instanceof HTMLElement && document.activeElement.matches('input, textarea, select');

/**
 * Loads the page anew, once for each `what` (a build, a shop) of a window. Somebody who is typing finishes the field
 * first; what he typed before is kept already.
 */
export function reloadFor(what: string): void {
  if (planned || sessionStorage.getItem(DONE_FOR) === what) return;
  planned = true;
  const reload = (): void => {
    sessionStorage.setItem(DONE_FOR, what);
    location.reload();
  };
  if (isTyping()) addEventListener('focusout', () => setTimeout(reload, 0), { once: true });
  else reload();
}
