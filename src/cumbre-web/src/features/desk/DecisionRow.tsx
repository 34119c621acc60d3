import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { Decision, Desk } from "../../shared/api/types";
import { dayWeek } from "../../shared/ui/format";
import { KeyCap } from "../../shared/ui/KeyCap";
import { QuietButton } from "../../shared/ui/QuietButton";
import { StatusShape } from "../../shared/ui/StatusShape";
import { Changes } from "../../shared/decisions/Changes";
import { Evidence } from "./Evidence";
import { Headline } from "../../shared/decisions/Headline";
import { OwnReason } from "../../shared/decisions/OwnReason";
import { causeText, kindStatus } from "../../shared/decisions/wording";
import { useUnit } from "../../shared/account/useMe";
import { say } from "../../words/desk";

/** What the coach adds to a decision before accepting it. */
export interface Additions {
  reason: string;
  /** Lines written by hand that are changed as well. */
  also: string[];
}

interface Props {
  decision: Decision;
  session?: Desk["sessions"][number];
  /** The first of its athlete; the others stand under it. */
  first: boolean;
  /** How many more the athlete has. */
  others: number;
  unfolded: boolean;
  /** How many of the athlete's can be accepted together. */
  harmless: number;
  current: boolean;
  busy: boolean;
  /** The server asks for a reason: it is asked here. */
  asksReason: string | null;
  additions: Additions;
  onAdditions: (additions: Additions) => void;
  onFocus: () => void;
  onAccept: () => void;
  onTogether: () => void;
  onFold: () => void;
  onEdit: () => void;
  onLater: () => void;
}

/** One decision: who, what, the evidence, and the verbs; the current one is open. */
export function DecisionRow(props: Props) {
  const unit = useUnit();
  const { decision: d, session, first, others, unfolded, harmless, current, busy, asksReason, onFocus } = props;
  const { reason, also } = props.additions;
  const add = (more: Partial<Additions>) => props.onAdditions({ reason, also, ...more });
  const urgent = d.kind === "Refer";
  return (
    <Box
      component="li"
      data-id={d.id}
      data-athlete={d.athleteId}
      tabIndex={current ? 0 : -1}
      aria-current={current || undefined}
      onFocus={onFocus}
      onClick={onFocus}
      sx={(t) => ({
        display: "grid",
        gridTemplateColumns: { xs: "14px 1fr", md: "14px 132px minmax(0,720px) 128px" },
        columnGap: "14px",
        alignItems: "center",
        px: { xs: 4, sm: 6 },
        py: 2,
        minHeight: first ? 54 : 44,
        borderBottom: 1,
        borderColor: current ? t.vars.palette.rock : "divider",
        bgcolor: current ? "background.paper" : "transparent",
        cursor: "default",
        "&:focus-visible": { outlineOffset: -2 },
      })}
    >
      <StatusShape status={kindStatus(d.kind)} />
      <Box sx={{ minWidth: 0, gridColumn: { xs: 2, md: "auto" } }}>
        {first && (
          <>
            <Typography
              variant="subtitle2"
              component={Link}
              to={`/athletes/${d.athleteId}`}
              sx={{
                fontWeight: 550,
                color: "inherit",
                textDecoration: "none",
                "&:hover": { textDecoration: "underline" },
              }}
            >
              {d.athleteName}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {session ? say("trainsToday") : dayWeek(d.nextDay)}
            </Typography>
          </>
        )}
      </Box>
      <Box sx={{ minWidth: 0, gridColumn: { xs: 2, md: "auto" } }}>
        <Typography
          variant="subtitle2"
          component="p"
          sx={{ color: urgent ? "error.main" : "inherit", fontWeight: current ? 650 : 600 }}
        >
          <Headline decision={d} />
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {causeText(d, unit)}
          {first && others > 0 && (
            <>
              {" · "}
              <QuietButton aria-expanded={unfolded} onClick={props.onFold}>
                {unfolded ? say("foldTheOthers") : say("andMore", { others })}
              </QuietButton>
            </>
          )}
        </Typography>
      </Box>
      <Box sx={{ display: { xs: "none", md: "block" } }}>{d.evidence.length > 0 && <Evidence decision={d} />}</Box>
      {current && (
        <Box sx={{ gridColumn: { xs: 2, md: "3 / -1" }, mt: 1 }}>
          <Changes decision={d} also={also} onAlso={(items) => add({ also: items })} />
          {asksReason !== null && (
            <OwnReason
              asked={asksReason}
              value={reason}
              onChange={(text) => add({ reason: text })}
              onEnter={props.onAccept}
            />
          )}
          <Box sx={{ display: "flex", gap: 2, mt: 2, flexWrap: "wrap" }}>
            <Button
              size="small"
              variant="contained"
              color="secondary"
              disabled={busy || (asksReason !== null && !reason.trim())}
              onClick={props.onAccept}
            >
              {say("accept")} <KeyCap quiet>A</KeyCap>
            </Button>
            {d.next && (
              <Button size="small" onClick={props.onEdit}>
                {say("edit")} <KeyCap>E</KeyCap>
              </Button>
            )}
            <Button size="small" onClick={props.onLater}>
              {say("later")} <KeyCap>L</KeyCap>
            </Button>
            {first && harmless > 1 && (
              <Button size="small" disabled={busy} onClick={props.onTogether}>
                {say("acceptHarmlessOnes", { harmless })} <KeyCap>H</KeyCap>
              </Button>
            )}
          </Box>
        </Box>
      )}
    </Box>
  );
}
