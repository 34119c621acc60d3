/** Keeps the app on the device, where the connection is secure: elsewhere the browser has no such thing. */
export function keepApp() {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  // After the first page stands: what is kept is fetched in the background.
  window.addEventListener("load", () => {
    navigator.serviceWorker.register("/sw.js").catch(() => {
      // A private window may refuse it: the page works as long as it is open.
    });
  });
}
