/** Puts text where it can be pasted from; browsers offer it themselves only to pages that came over HTTPS. */
export async function copyText(text: string): Promise<void> {
  // Not there on pages that came over plain HTTP, whatever its type says.
  const clipboard = navigator.clipboard as Clipboard | undefined;
  if (clipboard) return clipboard.writeText(text);
  const field = document.createElement('textarea');
  const { activeElement } = document;
  field.value = text;
  field.setAttribute('aria-hidden', 'true');
  field.style.position = 'fixed';
  field.style.opacity = '0';
  // A dialog keeps the focus inside it.
  (activeElement?.closest('[role="dialog"]') ?? document.body).append(field);
  field.select();
  // The only way there is without HTTPS.
  // eslint-disable-next-line @typescript-eslint/no-deprecated
  const isCopied = document.execCommand('copy');
  field.remove();
  if (activeElement instanceof HTMLElement) activeElement.focus();
  if (!isCopied) throw new Error('The browser did not let it be copied.');
}
