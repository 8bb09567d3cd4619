/** Whether keys pressed there are its own, so that single-key shortcuts must stay out. */
export function takesKeys(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches(
        'input:not([type="checkbox"]), textarea, [role="combobox"], [role="menu"], [role="menu"] *, [role="listbox"] *',
      ))
  );
}

/** Whether there is text that was typed there, which has an undo of its own. */
function hasOwnUndo(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable) return true;
  const isText =
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && ['text', 'search'].includes(target.type));
  return isText && target.value !== '';
}

/** Undo or redo, where the event asks for one of them. */
export function undoKeyOf(event: KeyboardEvent): 'undo' | 'redo' | null {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.key.toLowerCase() !== 'z') return null;
  if (event.defaultPrevented || hasOwnUndo(event.target)) return null;
  return event.shiftKey ? 'redo' : 'undo';
}
