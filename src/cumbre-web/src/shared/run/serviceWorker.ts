let kept = false;

/**
 * Keeps the app on the device of whoever trains or runs a session, where the connection is secure: elsewhere the browser
 * has no such thing, and the run says so.
 */
export function keepApp() {
  if (kept || !import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  kept = true;
  navigator.serviceWorker.register("/sw.js").catch(() => {
    // A private window may refuse it: the page works as long as it is open.
  });
}
