import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../api/client";
import type { Session } from "../api/types";
import { number } from "../ui/format";
import { newId } from "../ui/newId";
import { messageOf } from "../ui/states";
import { Card } from "./Card";
import { noPain, hurts, PainFields, type Pain } from "./PainFields";
import { Scale } from "./Scale";
import { useHealth } from "./useSession";

/** Asked before a session: sleep, soreness, readiness, pain by place, other hard training in the last day. */
export function CheckInCard({ session }: { session: Session }) {
  const known = session.checkIn;
  const [editing, setEditing] = useState(false);
  if (editing) return <CheckInForm session={session} onDone={() => setEditing(false)} />;
  if (!known)
    return session.status === "Done" ? null : (
      <Card label="Check-in" inline>
        <Typography color="textSecondary" sx={{ mr: "auto" }}>
          Sleep, soreness, readiness and pain before the first set.
        </Typography>
        <Button size="small" onClick={() => setEditing(true)}>
          Check in
        </Button>
      </Card>
    );
  return (
    <Card label="Check-in" inline>
      <Typography sx={{ mr: "auto" }}>
        {[
          known.sleepHours !== null && `slept ${number(known.sleepHours)} h`,
          known.soreness !== null && `soreness ${known.soreness} of 10`,
          known.readiness !== null && `readiness ${known.readiness} of 10`,
          known.hardTraining && "other hard training in the last 24 h",
          ...known.pain.map((p) => `${p.place} ${p.level} of 10`),
        ]
          .filter(Boolean)
          .join(", ") || "nothing told"}
      </Typography>
      {session.status !== "Done" && (
        <Button size="small" onClick={() => setEditing(true)}>
          Change check-in
        </Button>
      )}
    </Card>
  );
}

function CheckInForm({ session, onDone }: { session: Session; onDone: () => void }) {
  const { checkIn } = useHealth(session.athleteId, session.id);
  const known = session.checkIn;
  const [id] = useState(newId);
  const [sleep, setSleep] = useState(known?.sleepHours == null ? "" : number(known.sleepHours));
  const [soreness, setSoreness] = useState<number | null>(known?.soreness ?? null);
  const [readiness, setReadiness] = useState<number | null>(known?.readiness ?? null);
  const [hard, setHard] = useState(known?.hardTraining ?? false);
  const [pains, setPains] = useState<Pain[]>(
    known && known.pain.length > 0 ? known.pain.map((p) => ({ ...p })) : [noPain],
  );
  const refused = (path: string) => (checkIn.error instanceof Problem ? checkIn.error.fieldMessage(path) : undefined);
  const typed = sleep.trim().replace(",", ".");
  const sleepIsNumber = typed === "" || /^\d{1,2}(\.\d)?$/.test(typed);
  const save = () =>
    checkIn.mutate(
      {
        id,
        day: session.day,
        sleepHours: typed === "" ? null : Number(typed),
        soreness,
        readiness,
        hardTraining: hard,
        pain: pains.filter(hurts),
      },
      { onSuccess: onDone },
    );
  return (
    <Card label="Check-in">
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start", width: "100%" }}>
        <TextField
          label="Sleep"
          value={sleep}
          onChange={(e) => setSleep(e.target.value)}
          error={!sleepIsNumber || Boolean(refused("sleepHours"))}
          helperText={sleepIsNumber ? refused("sleepHours") : "Hours, for instance 7.5."}
          sx={{ width: 100 }}
          slotProps={{
            htmlInput: { inputMode: "decimal" },
            input: { endAdornment: <InputAdornment position="end">h</InputAdornment> },
          }}
        />
        <Scale label="Soreness" low="none" high="very sore" value={soreness} onChange={setSoreness} />
        <Scale label="Readiness" low="flat" high="fresh" value={readiness} onChange={setReadiness} />
        <FormControlLabel
          control={<Checkbox checked={hard} onChange={(_, on) => setHard(on)} />}
          label="Other hard training in the last 24 h"
        />
        {pains.map((pain, i) => (
          <Box key={i} sx={{ display: "flex", gap: 4, flexWrap: "wrap" }}>
            <PainFields
              pain={pain}
              onChange={(p) => setPains(pains.map((x, j) => (j === i ? p : x)))}
              errors={{ place: refused(`pain.${pains.slice(0, i).filter(hurts).length}.place`) }}
            />
          </Box>
        ))}
        {pains.every(hurts) && (
          <Button onClick={() => setPains([...pains, noPain])} sx={{ minHeight: 40 }}>
            Add a place
          </Button>
        )}
      </Box>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center" }}>
        <Button
          variant="contained"
          color="secondary"
          disabled={checkIn.isPending || !sleepIsNumber}
          onClick={save}
          sx={{ minHeight: 40 }}
        >
          Save check-in
        </Button>
        <Button onClick={onDone}>Cancel</Button>
        {checkIn.error && (
          <Typography color="error" role="alert">
            {messageOf(checkIn.error)}
          </Typography>
        )}
      </Box>
    </Card>
  );
}
