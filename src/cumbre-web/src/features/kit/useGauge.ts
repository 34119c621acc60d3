import { useEffect, useState } from "react";
import type { components } from "../../shared/api/schema";

export type GaugePlace = "Bottom" | "Middle" | "Top" | "Swinging";
type Reading = components["schemas"]["GaugeReading"];

/** Readings of the scale while it is asked; a new place begins anew. */
export function useGauge(place: GaugePlace | null, turn: number) {
  const key = `${place}-${turn}`;
  const [latest, setLatest] = useState<{ key: string; reading: Reading | null; lost: boolean }>({
    key,
    reading: null,
    lost: false,
  });
  useEffect(() => {
    if (place === null) return;
    const source = new EventSource(`/api/gauge?place=${place}`);
    source.addEventListener("reading", (e: MessageEvent<string>) =>
      setLatest({ key, reading: JSON.parse(e.data) as Reading, lost: false }),
    );
    source.onerror = () => {
      source.close();
      setLatest({ key, reading: null, lost: true });
    };
    return () => source.close();
  }, [place, key]);
  return latest.key === key ? latest : { reading: null, lost: false };
}
