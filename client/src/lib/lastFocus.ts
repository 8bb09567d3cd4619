let last: HTMLElement | null = null;

document.addEventListener('focusin', ({ target }) => {
  if (!(target instanceof HTMLElement)) return;
  // A menu is gone once something was chosen in it; what opened it stays.
  const trigger = target.closest('[role="menu"]')?.getAttribute('aria-labelledby');
  last = (trigger && document.getElementById(trigger)) || target;
});

document.addEventListener('focusout', ({ target, relatedTarget }) => {
  // Left for nothing else: then nothing is gone back to.
  if (relatedTarget === null && target === last) last = null;
});

/** What had the focus last: also when it has just gone with what was removed. */
export function lastFocused(): HTMLElement | null {
  return last;
}
