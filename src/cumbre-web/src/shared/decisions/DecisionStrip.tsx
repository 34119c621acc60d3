import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useForkRef } from "@mui/material/utils";
import { useState } from "react";
import { useUnit } from "../account/useMe";
import type { Decision } from "../api/types";
import { Problem } from "../api/client";
import { Changes } from "./Changes";
import EditDecision from "./EditDecision";
import { Headline } from "./Headline";
import { OwnReason } from "./OwnReason";
import { useDecide } from "./useDesk";
import { useFigure } from "./useDetails";
import { causeText, kindStatus } from "./wording";
import { messageOf } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { useKey } from "../keys/useKey";
import { useSingleKeys } from "../keys/useSingleKeys";
import { useWhy } from "../why/WhyContext";
import { say } from "../../words/decisions";

/** A decision that waits, where the coach is looking at its movement anyway. */
export function DecisionStrip({ decision: d }: { decision: Decision }) {
  const decide = useDecide();
  const unit = useUnit();
  const why = useWhy();
  const figure = useFigure();
  const [singleKeys] = useSingleKeys();
  const [editing, setEditing] = useState(false);
  const [also, setAlso] = useState<string[]>([]);
  const [reason, setReason] = useState("");
  const error = decide.accept.error ?? decide.later.error;
  const asksReason = decide.accept.error instanceof Problem ? decide.accept.error.fieldMessage("reason") : undefined;
  const accept = () => decide.accept.mutate({ id: d.id, also, reason: reason || null });
  const blocked = decide.accept.isPending || (asksReason !== undefined && !reason.trim());
  const openWhy = () => why.open(figure(d));
  // Only while the strip, or what is in it, has the focus.
  const keys = { enabled: !editing };
  const strip = useForkRef(
    useKey<HTMLDivElement>("accept", () => blocked || accept(), keys),
    useKey<HTMLDivElement>("edit", () => d.next && setEditing(true), keys),
    useKey<HTMLDivElement>("later", () => decide.later.mutate(d.id), keys),
    useKey<HTMLDivElement>("why", openWhy, keys),
  );
  return (
    <Box
      ref={strip}
      data-decision={d.id}
      tabIndex={singleKeys ? 0 : undefined}
      role="group"
      aria-label={say("decision", { movementName: d.movementName })}
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
      <StatusShape status={kindStatus(d.kind)} />
      <Box sx={{ mr: "auto", flex: "1 1 260px", minWidth: 0 }}>
        <Typography variant="subtitle2" component="p">
          <Headline decision={d} />
        </Typography>
        <Typography variant="body2" color="textSecondary">
          <Box component="span" sx={{ color: "secondary.main", fontWeight: 600 }}>
            {say("waitsOnTheDesk")}
          </Box>{" "}
          {causeText(d, unit)}
        </Typography>
        <Changes decision={d} also={also} onAlso={setAlso} />
        {asksReason !== undefined && (
          <OwnReason asked={asksReason} value={reason} onChange={setReason} onEnter={accept} />
        )}
        {error && !asksReason && (
          <Typography variant="body2" color="error" role="alert">
            {messageOf(error)}
          </Typography>
        )}
      </Box>
      <Box sx={{ display: "flex", gap: 2, flex: "none" }}>
        <Button size="small" onClick={accept} disabled={blocked}>
          {say("accept")}
        </Button>
        {d.next && (
          <Button size="small" onClick={() => setEditing(true)}>
            {say("edit")}
          </Button>
        )}
        <Button size="small" onClick={() => decide.later.mutate(d.id)}>
          {say("later")}
        </Button>
        <Button size="small" onClick={openWhy}>
          {say("why")}
        </Button>
      </Box>
      {editing && <EditDecision decision={d} onClose={() => setEditing(false)} />}
    </Box>
  );
}
