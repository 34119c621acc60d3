import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { Problem } from "../../shared/api/client";
import type { WeekKind } from "../../shared/api/types";
import { weekKinds } from "../../shared/blocks/wording";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { useMessage } from "../../shared/blocks/publishing";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/publish";

/** The week as a message with its calendar, written into the outbox of this machine. */
export function MessageForm({
  athleteId,
  blockId,
  version,
  weeks,
  time,
}: {
  athleteId: string;
  blockId: string;
  version: number | null;
  weeks: WeekKind[];
  time: string;
}) {
  const [id, setId] = useState(newId);
  const [to, setTo] = useState("");
  const [week, setWeek] = useState(1);
  const write = useMessage(athleteId, blockId);
  const fault = write.error instanceof Problem ? write.error.fieldMessage("to") : undefined;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        write.mutate(
          { id, week, version, to: to.trim(), time: time ? `${time}:00` : null },
          { onSuccess: () => setId(newId()) },
        );
      }}
      sx={{ mt: 3, display: "flex", gap: 3, alignItems: "flex-start", flexWrap: "wrap" }}
    >
      <Field
        label={say("to")}
        type="email"
        value={to}
        onChange={(e) => setTo(e.target.value)}
        problem={fault}
        help={say("noMailIsSentItIsWritten")}
        sx={{ flex: "1 1 200px" }}
      />
      <TextField
        select
        label={say("week")}
        value={week}
        onChange={(e) => setWeek(Number(e.target.value))}
        sx={{ width: 130 }}
      >
        {weeks.map((kind, i) => (
          <MenuItem key={i} value={i + 1}>
            {i + 1}, {weekKinds[kind]}
          </MenuItem>
        ))}
      </TextField>
      <Button type="submit" disabled={!to.trim() || write.isPending}>
        {say("writeTheMessage")}
      </Button>
      {write.isSuccess && (
        <Typography variant="body2" role="status" sx={{ flexBasis: "100%" }}>
          {say("written")} <Link to={`/outbox/${write.data.id}`}>{write.data.subject}</Link>.
        </Typography>
      )}
      {write.isError && !fault && (
        <Typography variant="body2" color="error" role="alert" sx={{ flexBasis: "100%" }}>
          {messageOf(write.error)}
        </Typography>
      )}
    </Box>
  );
}
