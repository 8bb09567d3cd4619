/** As long as it may be waited for where nothing is painted: in a window that is not in view. */
const longest = 100;

/**
 * Settles once what is drawn by now is on the screen. What can wait for it does not hold it up: even to send a request
 * takes the browser a millisecond or two.
 */
export function afterPaint(): Promise<void> {
  return new Promise((resolve) => {
    requestAnimationFrame(() => setTimeout(resolve));
    setTimeout(resolve, longest);
  });
}
