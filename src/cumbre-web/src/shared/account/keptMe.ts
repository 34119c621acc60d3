import type { Me } from "../api/types";

const key = "cumbre.me";

/** Who was signed in last on this device, for when nobody answers; the token for writes is never kept. */
export function keepMe(me: Me) {
  try {
    if (me.account) localStorage.setItem(key, JSON.stringify({ ...me, csrfToken: "" }));
    else localStorage.removeItem(key);
  } catch {
    // A device that keeps nothing asks again.
  }
}

export function keptMe(): Me | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "null") as Me | null;
  } catch {
    return null;
  }
}

export function forgetMe() {
  try {
    localStorage.removeItem(key);
  } catch {
    // Nothing was kept.
  }
}
