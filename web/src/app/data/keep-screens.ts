/** How long it is waited before the screens are fetched again that could not be kept, ms. */
export const AGAIN_MS = 10_000;

/**
 * Has the browser keep the screens, so that a bench opens and counts on with the server away. Browsers only do so where
 * the address is safe (https, or this machine itself); elsewhere an open page counts on, and a reload has to wait. What
 * could not be fetched whole, as on a network that comes and goes, is tried again while the page is open.
 */
export function keepScreens(browser: Pick<Navigator, 'serviceWorker'> = navigator): void {
  if (!('serviceWorker' in browser)) return;
  const again = (): void => void setTimeout(() => keepScreens(browser), AGAIN_MS);
  browser.serviceWorker
    .register('/service-worker.js')
    .then((kept) => {
      const { installing } = kept;
      installing?.addEventListener('statechange', () => {
        if (installing.state === 'redundant' && !kept.active) again();
      });
    })
    .catch((error: unknown) => {
      console.error(error);
    });
}
