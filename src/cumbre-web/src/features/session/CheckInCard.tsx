import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import InputAdornment from "@mui/material/InputAdornment";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../../shared/api/client";
import type { Session } from "../../shared/api/types";
import { number, listed } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { Card } from "./Card";
import { noPain, hurts, PainFields, type Pain } from "../../shared/logging/PainFields";
import { Scale } from "./Scale";
import { useHealth } from "../../shared/sessions/useSession";
import { Field } from "../../shared/ui/Field";
import { say as word } from "../../words/common";
import { say } from "../../words/session";

/** Asked before a session: sleep, soreness, readiness, pain by place, other hard training in the last day. */
export function CheckInCard({ session }: { session: Session }) {
  const known = session.checkIn;
  const [editing, setEditing] = useState(false);
  if (editing) return <CheckInForm session={session} onDone={() => setEditing(false)} />;
  if (!known)
    return session.status === "Done" ? null : (
      <Card label={say("checkIn")} inline>
        <Typography color="textSecondary" sx={{ mr: "auto" }}>
          {say("sleepSorenessReadinessAndPainBefore")}
        </Typography>
        <Button size="small" onClick={() => setEditing(true)}>
          {say("checkIn2")}
        </Button>
      </Card>
    );
  return (
    <Card label={say("checkIn")} inline>
      <Typography sx={{ mr: "auto" }}>
        {listed(
          known.sleepHours !== null && say("sleptH", { sleepHours: number(known.sleepHours) }),
          known.soreness !== null && say("sorenessOf10", { soreness: known.soreness }),
          known.readiness !== null && say("readinessOf10", { readiness: known.readiness }),
          known.hardTraining && say("otherHardTrainingInTheLast24"),
          ...known.pain.map((p) => say("painAt", { place: p.place, level: p.level })),
        ) || say("nothingTold")}
      </Typography>
      {session.status !== "Done" && (
        <Button size="small" onClick={() => setEditing(true)}>
          {say("changeCheckIn")}
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
    <Card label={say("checkIn")}>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start", width: "100%" }}>
        <Field
          label={say("sleep")}
          value={sleep}
          onChange={(e) => setSleep(e.target.value)}
          problem={sleepIsNumber ? refused("sleepHours") : say("hoursForInstance75")}
          sx={{ width: 100 }}
          slotProps={{
            htmlInput: { inputMode: "decimal" },
            input: { endAdornment: <InputAdornment position="end">h</InputAdornment> },
          }}
        />
        <Scale
          label={say("soreness")}
          low={word("none")}
          high={say("verySore")}
          value={soreness}
          onChange={setSoreness}
        />
        <Scale label={say("readiness")} low="flat" high="fresh" value={readiness} onChange={setReadiness} />
        <FormControlLabel
          control={<Checkbox checked={hard} onChange={(_, on) => setHard(on)} />}
          label={say("otherHardTrainingInTheLast242")}
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
            {say("addAPlace")}
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
          {say("saveCheckIn")}
        </Button>
        <Button onClick={onDone}>{say("cancel")}</Button>
        {checkIn.error && (
          <Typography color="error" role="alert">
            {messageOf(checkIn.error)}
          </Typography>
        )}
      </Box>
    </Card>
  );
}
