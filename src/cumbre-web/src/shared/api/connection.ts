import { useSyncExternalStore } from "react";
import { rememberCsrf } from "./client";

const pause = 1500;

/** Is the server there? Whoever finds that it is not says so here; it is asked until it answers, and then all are told. */
class Connection {
  private reachable = true;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly returns = new Set<() => void>();
  private readonly departures = new Set<() => void>();

  snapshot = () => this.reachable;

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Called each time the server is back. */
  onReturn(listener: () => void) {
    this.returns.add(listener);
    return () => this.returns.delete(listener);
  }

  /** Called when somebody else is about to be signed in. */
  onLeave(listener: () => void) {
    this.departures.add(listener);
  }

  leave() {
    this.departures.forEach((d) => d());
  }

  lost() {
    if (!this.reachable) return;
    this.set(false);
    this.timer = setTimeout(() => void this.ask(), pause);
  }

  /** Asks at once, for instance when the device is online again. */
  hurry() {
    if (this.reachable) return;
    clearTimeout(this.timer);
    void this.ask();
  }

  private async ask() {
    try {
      const answer = await fetch("/api/me", { headers: { Accept: "application/json" } });
      if (!answer.ok) throw new Error(String(answer.status));
      // A server that started again has a new token.
      rememberCsrf(((await answer.json()) as { csrfToken: string }).csrfToken);
    } catch {
      this.timer = setTimeout(() => void this.ask(), pause);
      return;
    }
    this.set(true);
    this.returns.forEach((r) => r());
  }

  private set(reachable: boolean) {
    this.reachable = reachable;
    this.listeners.forEach((l) => l());
  }
}

export const connection = new Connection();

export const useReachable = () => useSyncExternalStore(connection.subscribe, connection.snapshot);
