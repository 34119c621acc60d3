import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Gate } from "../../shared/api/types";
import { haveNeed } from "../../shared/ladders/wording";
import { dayShort, listed } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { say } from "../../words/athlete";

/** What guards added load: the athlete's school decides, the other is shown beside it. */
export function GateView({ gates }: { gates: Gate[] }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      {gates.map((g) => (
        <Box key={g.school}>
          <Box sx={{ display: "flex", gap: 2, alignItems: "center", fontSize: 13, lineHeight: "22px" }}>
            <StatusShape status={g.open ? "won" : "locked"} title="" />
            <b>{g.school}</b>
            <Box component="span" sx={{ color: "text.secondary" }}>
              {listed(
                g.open
                  ? g.openedOn
                    ? say("openSince", { day: dayShort(g.openedOn, today) })
                    : say("open")
                  : say("closed"),
                g.decides ? say("thisAthletesSchool") : say("forComparison"),
              )}
            </Box>
          </Box>
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
            {g.terms.map((t) => (
              <Box
                component="li"
                key={`${t.benchmark}-${t.need}`}
                sx={{
                  display: "grid",
                  gridTemplateColumns: "minmax(0,1fr) 64px 108px 76px",
                  columnGap: 3,
                  alignItems: "center",
                  fontSize: 13,
                  lineHeight: "24px",
                  fontStretch: "88%",
                  borderBottom: 1,
                  borderColor: "divider",
                }}
              >
                <span>{t.name}</span>
                <Meter fraction={t.fraction} met={t.met} />
                <Typography component="span" sx={{ fontSize: 13, textAlign: "right", fontWeight: t.met ? 400 : 600 }}>
                  {haveNeed(t, unit)}
                </Typography>
                <Box
                  component="span"
                  sx={{ textAlign: "right", color: t.stale ? "warning.main" : "text.secondary", whiteSpace: "nowrap" }}
                >
                  {t.day ? (t.stale ? say("daysOld", { ageDays: t.ageDays }) : dayShort(t.day, today)) : say("noTest")}
                </Box>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function Meter({ fraction, met }: { fraction: number; met: boolean }) {
  return (
    <svg
      width="88"
      height="8"
      viewBox="0 0 88 8"
      role="img"
      aria-label={say("ofTheThreshold", { round: Math.round(fraction * 100), value: met ? ", met" : "" })}
    >
      <rect y="2" width="64" height="4" fill="var(--mui-palette-line2)" />
      <rect
        y="2"
        width={64 * fraction}
        height="4"
        fill={met ? "var(--mui-palette-primary-main)" : "var(--mui-palette-text-primary)"}
      />
    </svg>
  );
}
