/**
 * Has the browser keep the screens, so that a bench opens and counts on with the server away. Browsers only do so where
 * the address is safe (https, or this machine itself); elsewhere an open page counts on, and a reload has to wait.
 */
export function keepScreens(browser: Pick<Navigator, 'serviceWorker'> = navigator): void {
  if (!('serviceWorker' in browser)) return;
  browser.serviceWorker.register('/service-worker.js').catch((error: unknown) => {
    console.error(error);
  });
}
