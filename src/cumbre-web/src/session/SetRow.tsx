import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useUnit } from "../accounts/useMe";
import type { Effort, Load, LoggedSet, Session } from "../api/types";
import { added, number, writtenAdded } from "../ui/format";
import { StatusShape } from "../ui/StatusShape";
import { SetForm } from "./SetForm";

interface Props {
  session: Session;
  effort: Effort;
  load: Load;
  set?: LoggedSet;
  /** The form is open: the next one to do, or one to correct. */
  active: boolean;
  onCorrect: () => void;
  onDone: () => void;
}

/** A set of the plan, as asked for and as done. */
export function SetRow({ session, effort: e, load, set, active, onCorrect, onDone }: Props) {
  const unit = useUnit();
  const asked = e.repsLow === e.repsHigh ? String(e.repsHigh) : `${e.repsLow}–${e.repsHigh}`;
  const met = set && set.form === "Clean" && set.reps >= e.repsHigh;
  return (
    <Box
      component="li"
      aria-current={active ? "step" : undefined}
      sx={{
        borderBottom: 1,
        borderColor: "divider",
        bgcolor: active ? "background.paper" : "transparent",
        px: active ? 4 : 0,
        py: 2,
      }}
    >
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap", minHeight: 32 }}>
        <StatusShape
          status={set ? (met ? "won" : "training") : "ahead"}
          title={set ? (met ? "target met" : "done") : "to do"}
        />
        <Typography sx={{ fontWeight: 600, minWidth: 76 }}>
          Set {e.set}
          {session.plan?.isDrop && `.${e.part}`}
        </Typography>
        <Typography color="textSecondary" sx={{ minWidth: 150 }}>
          {asked} at {added(load.made.value.number ?? 0, unit)}
          {e.grip && `, ${e.grip.toLowerCase()}`}
          {e.takeOff.length > 0 && (
            <Box component="span" sx={{ color: "secondary.main", fontWeight: 600 }}>
              {" "}
              take off {e.takeOff.map((p) => number(p.size.value)).join(" + ")}
            </Box>
          )}
        </Typography>
        {set && (
          <>
            <Typography sx={{ fontWeight: 600, mr: "auto" }}>
              {set.reps} at {writtenAdded(set.added, unit)}
              {set.reserve !== null && `, ${set.reserve} left`}
              {set.form === "Broken" && ", form broke"}
              {set.pain ? `, ${set.painPlace ?? "pain"} ${set.pain} of 10` : ""}
            </Typography>
            <Button
              size="small"
              variant="text"
              onClick={onCorrect}
              aria-label={`${active ? "Leave it," : "Correct"} set ${e.set}${e.part > 1 ? `, part ${e.part}` : ""}`}
            >
              {active ? "Leave it" : "Correct"}
            </Button>
          </>
        )}
      </Box>
      {active && <SetForm session={session} effort={e} load={load} set={set} onDone={onDone} />}
    </Box>
  );
}
