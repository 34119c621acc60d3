const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

/** The server begins anew: once it answers again the app is opened from its first page. */
export async function whenBack() {
  for (let tries = 0; tries < 120; tries++) {
    await pause(1000);
    const answer = await fetch("/health", { cache: "no-store" }).catch(() => null);
    if (answer?.ok) break;
  }
  window.location.assign("/");
}
