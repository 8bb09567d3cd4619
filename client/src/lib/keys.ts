/** Whether keys pressed there are text, so that single-key shortcuts must stay out. */
export function takesText(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || target.matches('input:not([type="checkbox"]), textarea, select, [role="menu"], [role="menu"] *'))
  );
}
