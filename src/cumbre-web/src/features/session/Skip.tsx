import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../../shared/api/client";
import type { Session, SessionItem } from "../../shared/api/types";
import { messageOf } from "../../shared/ui/states";
import { useChangeSession } from "../../shared/sessions/useSession";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/session";

/** An item that is left out today, with the reason; it comes back as easily. */
export function Skip({ session, item }: { session: Session; item: SessionItem }) {
  const { skip } = useChangeSession(session.athleteId, session.id);
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const refused = skip.error instanceof Problem ? skip.error.fieldMessage("reason") : undefined;
  const failed = skip.error && !refused && (
    <Typography color="error" role="alert">
      {messageOf(skip.error)}
    </Typography>
  );
  if (item.skipped)
    return (
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", mt: 2, flexWrap: "wrap" }}>
        <Typography>{say("skipped", { skipped: item.skipped })}</Typography>
        {session.status !== "Done" && (
          <Button size="small" disabled={skip.isPending} onClick={() => skip.mutate({ itemId: item.id, reason: null })}>
            {say("restore")}
          </Button>
        )}
        {failed}
      </Box>
    );
  if (!asking)
    return (
      <Button
        size="small"
        variant="text"
        onClick={() => setAsking(true)}
        aria-label={say("skip", { name: item.movement.name })}
        sx={{ mt: 1 }}
      >
        {say("skip2")}
      </Button>
    );
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        skip.mutate({ itemId: item.id, reason }, { onSuccess: () => setAsking(false) });
      }}
      sx={{ display: "flex", gap: 3, alignItems: "flex-start", mt: 2, flexWrap: "wrap" }}
    >
      <Field
        label={say("whyItIsSkipped")}
        value={reason}
        autoFocus
        onChange={(e) => setReason(e.target.value)}
        problem={refused}
        sx={{ width: 280 }}
        slotProps={{ htmlInput: { maxLength: 200 } }}
      />
      <Button type="submit" disabled={skip.isPending || !reason.trim()} sx={{ minHeight: 40 }}>
        {say("skipItem")}
      </Button>
      <Button variant="text" onClick={() => setAsking(false)} sx={{ minHeight: 40 }}>
        {say("cancel")}
      </Button>
      {failed}
    </Box>
  );
}
