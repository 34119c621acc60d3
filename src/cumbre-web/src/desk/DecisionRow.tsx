import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useUnit } from "../accounts/useMe";
import type { Decision, Desk } from "../api/types";
import { dayWeek } from "../ui/format";
import { KeyCap } from "../ui/KeyCap";
import { StatusShape } from "../ui/StatusShape";
import { WhyFigure } from "../why/WhyFigure";
import { Evidence } from "./Evidence";
import { figureOf } from "./figureOf";
import { causeText, headline, kindStatus } from "./wording";

interface Props {
  decision: Decision;
  session?: Desk["sessions"][number];
  current: boolean;
  busy: boolean;
  onFocus: () => void;
  onAccept: () => void;
  onEdit: () => void;
  onLater: () => void;
}

/** One decision: who, what, the evidence, and the verbs; the current one is open. */
export function DecisionRow({ decision: d, session, current, busy, onFocus, onAccept, onEdit, onLater }: Props) {
  const unit = useUnit();
  const say = headline(d, unit);
  const figure = figureOf(d, unit);
  const urgent = d.kind === "Refer";
  return (
    <Box
      component="li"
      data-id={d.id}
      tabIndex={current ? 0 : -1}
      aria-current={current || undefined}
      onFocus={onFocus}
      onClick={onFocus}
      sx={(t) => ({
        display: "grid",
        gridTemplateColumns: { xs: "14px 1fr", md: "14px 132px minmax(0,1fr) 128px" },
        columnGap: "14px",
        alignItems: "center",
        px: { xs: 4, sm: 6 },
        py: 2,
        minHeight: 54,
        borderBottom: 1,
        borderColor: current ? t.vars.palette.rock : "divider",
        bgcolor: current ? "background.paper" : "transparent",
        cursor: "default",
        "&:focus-visible": { outlineOffset: -2 },
      })}
    >
      <StatusShape status={kindStatus[d.kind]} />
      <Box sx={{ minWidth: 0, gridColumn: { xs: 2, md: "auto" } }}>
        <Typography
          variant="subtitle2"
          component={Link}
          to={`/athletes/${d.athleteId}`}
          sx={{ fontWeight: 550, color: "inherit", textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
        >
          {d.athleteName}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {session ? "trains today" : dayWeek(d.nextDay)}
        </Typography>
      </Box>
      <Box sx={{ minWidth: 0, gridColumn: { xs: 2, md: "auto" } }}>
        <Typography
          variant="subtitle2"
          component="p"
          sx={{ color: urgent ? "error.main" : "inherit", fontWeight: current ? 650 : 600 }}
        >
          {say.figure ? (
            <>
              {say.before} <WhyFigure figure={figure}>{say.figure}</WhyFigure> {say.after}
            </>
          ) : (
            <WhyFigure figure={figure}>{say.before}</WhyFigure>
          )}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {causeText(d)}
        </Typography>
      </Box>
      <Box sx={{ display: { xs: "none", md: "block" } }}>
        <Evidence decision={d} />
      </Box>
      {current && (
        <Box sx={{ gridColumn: { xs: 2, md: "3 / 5" }, display: "flex", gap: 2, mt: 2, flexWrap: "wrap" }}>
          <Button size="small" variant="contained" color="secondary" disabled={busy} onClick={onAccept}>
            Accept <KeyCap quiet>A</KeyCap>
          </Button>
          {d.next && (
            <Button size="small" onClick={onEdit}>
              Edit <KeyCap>E</KeyCap>
            </Button>
          )}
          <Button size="small" onClick={onLater}>
            Later <KeyCap>L</KeyCap>
          </Button>
        </Box>
      )}
    </Box>
  );
}
