const day = 86_400_000;

/** The day of this device on which an instant falls, counted from an arbitrary one. */
const dayNumber = (at: number) => Math.floor((at - new Date(at).getTimezoneOffset() * 60_000) / day);

/**
 * The club's day as far as the device can tell: the one that the server told, and as many more as have passed on this
 * device since.
 */
export function todayOf(told: string, fetchedAt: number, now: number) {
  const passed = Math.max(0, dayNumber(now) - dayNumber(fetchedAt));
  return new Date(Date.parse(`${told}T00:00Z`) + passed * day).toISOString().slice(0, 10);
}
