import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "react-router";
import { deskQuery } from "../../shared/decisions/useDesk";
import { useLiveNow } from "../../shared/live/live";
import { device, useDevice } from "../../shared/run/deviceHere";
import { clock } from "../../shared/ui/format";
import { useNow } from "../../shared/ui/useNow";
import { say } from "../../words/live";

/** The others of the day, for a coach who logs for several at once: whose rest is over stands there with it. */
export function ClassStrip({ session }: { session: string }) {
  const desk = useQuery(deskQuery).data;
  const live = useLiveNow();
  const now = useNow();
  const { packs } = useDevice();
  const others = (desk?.sessions ?? []).filter((s) => s.status !== "Done");
  const athletes = others.map((s) => s.athleteId).join(" ");
  useEffect(() => {
    // The sessions of all of them are on this device before the signal goes.
    for (const athlete of new Set(athletes.split(" ").filter(Boolean)))
      if (!device.snapshot().weeks.some((w) => w.athlete === athlete))
        void device.refresh(athlete).catch(() => undefined);
  }, [athletes]);
  const known = packs.filter((p) => others.length === 0 || others.some((o) => o.id === p.id));
  const shown =
    others.length > 0
      ? others.map((o) => ({ id: o.id, athlete: o.athleteId, name: o.athleteName }))
      : known.map((p) => ({ id: p.id, athlete: p.athlete, name: p.pack.name }));
  if (shown.length < 2) return null;
  const clockOff = live.data ? Date.parse(live.data.now) - live.dataUpdatedAt : 0;
  return (
    <Box component="nav" aria-label={say("class")} sx={{ display: "flex", gap: 2, overflowX: "auto", pb: 2 }}>
      {shown.map((s) => {
        const until = live.data?.sessions.find((l) => l.session === s.id)?.restUntil;
        const left = until ? Math.ceil((Date.parse(until) - now - clockOff) / 1000) : null;
        return (
          <ButtonBase
            key={s.id}
            component={Link}
            to={`/run/${s.athlete}/${s.id}`}
            replace
            aria-current={s.id === session ? "page" : undefined}
            sx={{
              minHeight: 48,
              px: 3,
              flex: "none",
              flexDirection: "column",
              borderRadius: "4px",
              border: "2px solid",
              borderColor: s.id === session ? "primary.main" : "line2",
              fontFamily: "inherit",
              fontSize: 15,
              fontWeight: s.id === session ? 650 : 400,
            }}
          >
            <span>{s.name.split(" ")[0]}</span>
            {left !== null && (
              <Box component="span" sx={{ fontSize: 13 }} role="timer" aria-live="off">
                {left > 0 ? clock(left) : say("due")}
              </Box>
            )}
          </ButtonBase>
        );
      })}
    </Box>
  );
}
