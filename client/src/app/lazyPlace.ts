import { type ComponentType, lazy } from 'react';

const reloaded = 'hour-grid.reloaded';

/**
 * A place that comes when it is first visited. Where its file is not there any more since a newer version was deployed,
 * the page is loaded again, once, and brings that version.
 */
export function lazyPlace(load: () => Promise<ComponentType>) {
  const place = lazy(async () => {
    try {
      const component = await load();
      sessionStorage.removeItem(reloaded);
      return { default: component };
    } catch (problem) {
      if (sessionStorage.getItem(reloaded) === null && (await isNewerDeployed())) {
        sessionStorage.setItem(reloaded, 'yes');
        location.reload();
        // Nothing is shown until the page is there again.
        return new Promise<never>(() => undefined);
      }
      sessionStorage.removeItem(reloaded);
      throw new Error('this part could not be loaded', { cause: problem });
    }
  });
  return { place, preload: () => void load().catch(() => undefined) };
}

/** Whether the page as it is served now begins with another script than this one did. */
async function isNewerDeployed(): Promise<boolean> {
  const script = document.querySelector<HTMLScriptElement>('script[type="module"][src]')?.getAttribute('src');
  try {
    const page = await fetch('/', { cache: 'no-store' });
    return page.ok && script !== null && script !== undefined && !(await page.text()).includes(script);
  } catch {
    // A server that is away has deployed nothing.
    return false;
  }
}
