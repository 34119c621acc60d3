import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { api, ask } from "../api/client";
import { device } from "../run/deviceHere";

/** A session of which something was written. */
export interface LiveMark {
  session: string;
  athlete: string;
  mark: string;
}

type Listener = (changed: readonly LiveMark[]) => void;

/** One line to the server for all who listen on this page; the browser connects again by itself after a cut. */
class LiveLine {
  private readonly listeners = new Set<Listener>();
  private readonly known = new Map<string, string>();
  private source: EventSource | null = null;

  listen(listener: Listener) {
    this.listeners.add(listener);
    this.connect();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      this.source?.close();
      this.source = null;
      this.known.clear();
    };
  }

  private connect() {
    if (this.source || typeof EventSource === "undefined") return;
    this.source = new EventSource("/api/live");
    for (const kind of ["all", "changed"])
      this.source.addEventListener(kind, (e) => this.hear((e as MessageEvent<string>).data));
  }

  private hear(data: string) {
    const marks = JSON.parse(data) as LiveMark[];
    const isFirst = this.known.size === 0;
    const changed = marks.filter((m) => this.known.get(m.session) !== m.mark);
    marks.forEach((m) => this.known.set(m.session, m.mark));
    // What was there when the page was opened, the page has read itself.
    if (!isFirst && changed.length > 0) this.listeners.forEach((l) => l(changed));
  }
}

const line = new LiveLine();

/** Calls back with the sessions that changed, as it happens. */
export function useLive(onChange: Listener) {
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  useEffect(() => line.listen((changed) => latest.current(changed)), []);
}

export const liveQuery = queryOptions({
  queryKey: ["live"],
  queryFn: ({ signal }) => ask(api.GET("/api/live/now", { signal })),
});

/** Who trains now; read again whenever one of their sessions changes. */
export function useLiveNow() {
  const queries = useQueryClient();
  useLive(() => void queries.invalidateQueries({ queryKey: liveQuery.queryKey }));
  return useQuery(liveQuery);
}

const calm = 400;

/** Keeps the packs of an athlete as the server has them, while a page of theirs is open. */
export function useLivePacks(athlete: string) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useLive((changed) => {
    if (!changed.some((m) => m.athlete === athlete)) return;
    clearTimeout(timer.current);
    // What this device sent itself comes back as one change.
    timer.current = setTimeout(() => void device.refresh(athlete).catch(() => undefined), calm);
  });
  useEffect(() => () => clearTimeout(timer.current), []);
}
