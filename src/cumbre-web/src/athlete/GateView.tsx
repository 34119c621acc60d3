import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { Gate } from "../api/types";
import { haveNeed } from "../ladders/wording";
import { dayShort } from "../ui/format";
import { StatusShape } from "../ui/StatusShape";

/** What guards added load: the athlete's school decides, the other is shown beside it. */
export function GateView({ gates }: { gates: Gate[] }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      {gates.map((g) => (
        <Box key={g.school}>
          <Box sx={{ display: "flex", gap: 2, alignItems: "center", fontSize: 13, lineHeight: "22px" }}>
            <StatusShape status={g.open ? "won" : "locked"} title={g.open ? "open" : "closed"} />
            <b>{g.school}</b>
            <Box component="span" sx={{ color: "text.secondary" }}>
              {g.open ? `open since ${g.openedOn ? dayShort(g.openedOn, today) : ""}` : "closed"},{" "}
              {g.decides ? "this athlete’s school" : "for comparison"}
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
                  {t.day ? (t.stale ? `${t.ageDays} days old` : dayShort(t.day, today)) : "no test"}
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
      aria-label={`${Math.round(fraction * 100)} % of the threshold${met ? ", met" : ""}`}
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
