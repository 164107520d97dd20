/** Whether keys belong to a field now: they are never taken from somebody who types. */
export function isTyping(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  return (
    element?.closest?.('input, textarea, select, [contenteditable="true"], [role="listbox"]') !== null &&
    element !== null
  );
}
