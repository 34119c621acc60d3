import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useUnit } from "../accounts/useMe";
import type { Decision } from "../api/types";
import EditDecision from "../desk/EditDecision";
import { figureOf } from "../desk/figureOf";
import { useDecide } from "../desk/useDesk";
import { causeText, headline, kindStatus } from "../desk/wording";
import { messageOf } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { WhyFigure } from "../why/WhyFigure";

/** The decision that waits for this athlete, where the coach is looking at them anyway. */
export function DecisionStrip({ decision: d }: { decision: Decision }) {
  const unit = useUnit();
  const decide = useDecide();
  const [editing, setEditing] = useState(false);
  const say = headline(d, unit);
  const error = decide.accept.error ?? decide.later.error;
  return (
    <Box
      sx={(t) => ({
        mx: { xs: 4, sm: 6 },
        mt: 4,
        px: 4,
        py: 2.5,
        bgcolor: "background.paper",
        border: `1px solid ${t.vars.palette.line2}`,
        display: "flex",
        gap: 3,
        alignItems: "center",
        flexWrap: "wrap",
      })}
    >
      <StatusShape status={kindStatus[d.kind]} />
      <Box sx={{ mr: "auto" }}>
        <Typography variant="subtitle2" component="p">
          {say.figure ? (
            <>
              {say.before} <WhyFigure figure={figureOf(d, unit)}>{say.figure}</WhyFigure> {say.after}
            </>
          ) : (
            <WhyFigure figure={figureOf(d, unit)}>{say.before}</WhyFigure>
          )}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          <Box component="span" sx={{ color: "secondary.main", fontWeight: 600 }}>
            Waits on the Desk.
          </Box>{" "}
          {causeText(d)}
        </Typography>
        {error && (
          <Typography variant="body2" color="error" role="alert">
            {messageOf(error)}
          </Typography>
        )}
      </Box>
      <Button size="small" onClick={() => decide.accept.mutate({ id: d.id })} disabled={decide.accept.isPending}>
        Accept
      </Button>
      {d.next && (
        <Button size="small" onClick={() => setEditing(true)}>
          Edit
        </Button>
      )}
      <Button size="small" onClick={() => decide.later.mutate(d.id)}>
        Later
      </Button>
      {editing && <EditDecision decision={d} onClose={() => setEditing(false)} />}
    </Box>
  );
}
