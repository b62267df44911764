/** Where what the Bench needs is kept while the server cannot be reached. */
const KEPT = 'bench';

/**
 * Lets the page be opened while the server cannot be reached: its code and what the Bench reads are kept in this browser.
 * Browsers do so for pages over HTTPS, and on the machine itself; elsewhere entries are kept all the same while the page is open.
 */
export function keepForOffline(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  void navigator.serviceWorker.register('/sw.js').catch(() => {});
}

/** Somebody signs out: what was kept of their work goes. What they did and nobody has heard of stays, it is theirs to send. */
export const forgetKept = (): Promise<unknown> => ('caches' in globalThis ? caches.delete(KEPT) : Promise.resolve());
