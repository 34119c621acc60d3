import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSignedIn } from "../account/useMe";
import type { MovementPage } from "../api/types";
import { useDecide } from "./useDesk";
import { dayShort } from "../ui/format";
import { messageOf } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { say } from "../../words/decisions";

/** What is stopped, and clearance that is missing. */
export function StopBand({
  stops,
  athleteId,
  needsClearance,
}: {
  stops: MovementPage["stops"];
  athleteId: string;
  needsClearance: boolean;
}) {
  const { isCoach } = useSignedIn();
  return (
    <>
      {stops.map((s) => (
        <StopOf key={s.place} athleteId={athleteId} stop={s} />
      ))}
      {needsClearance && (
        <Box
          sx={(t) => ({
            mx: { xs: 4, sm: 6 },
            mt: 4,
            px: 4,
            py: 2.5,
            bgcolor: t.vars.palette.cautionWash,
            display: "flex",
            gap: 3,
            fontSize: 13,
            lineHeight: "17px",
          })}
        >
          <StatusShape status="caution" />
          <span>{say(isCoach ? "under18OrOver60ClearanceBy" : "clearanceFirst")}</span>
        </Box>
      )}
    </>
  );
}

/** A place that is stopped, what that holds, and the way to clear it. */
function StopOf({ athleteId, stop }: { athleteId: string; stop: MovementPage["stops"][number] }) {
  const { today, isCoach } = useSignedIn();
  const { clear } = useDecide();
  const [reason, setReason] = useState("");
  return (
    <Box
      role="region"
      aria-label={say("stopped", { place: stop.place })}
      sx={(t) => ({
        mx: { xs: 4, sm: 6 },
        mt: 4,
        px: 4,
        py: 3,
        bgcolor: t.vars.palette.stopWash,
        display: "flex",
        gap: 3,
        flexWrap: "wrap",
        alignItems: "center",
      })}
    >
      <StatusShape status="stop" />
      <Box sx={{ flex: "1 1 280px" }}>
        <Typography variant="subtitle2" component="p" color="error">
          {say("painOf10StoppedSince", {
            toUpperCase: stop.place.charAt(0).toUpperCase() + stop.place.slice(1),
            level: stop.level,
            since: dayShort(stop.since, today),
          })}
        </Typography>
        <Typography variant="body2">
          {stop.holds.length > 0 && say("holds", { holds: stop.holds.join(", ") })}{" "}
          {say("referToLicensedPracticeNothingIsProgressed")}
        </Typography>
      </Box>
      {isCoach && (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            clear.mutate({ athleteId, place: stop.place, reason });
          }}
          sx={{ display: "flex", gap: 2, flex: "1 1 320px" }}
        >
          <TextField
            label={say("whatWasFoundAndByWhom")}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            error={clear.isError}
            helperText={clear.isError ? messageOf(clear.error) : undefined}
          />
          <Button type="submit" disabled={clear.isPending}>
            {say("clear")}
          </Button>
        </Box>
      )}
    </Box>
  );
}
