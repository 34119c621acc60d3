import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useUnit } from "../../shared/account/useMe";
import { Problem } from "../../shared/api/client";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { emptyIntake } from "./intake";
import { useSaveAthlete } from "../../shared/athletes/useAthlete";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/athlete";

/** A name is enough to begin; the intake follows and can be left at any point. */
export default function NewAthletePage() {
  const unit = useUnit();
  const navigate = useNavigate();
  const [id] = useState(newId);
  const [name, setName] = useState("");
  const save = useSaveAthlete(id);
  const atName = save.error instanceof Problem ? save.error.fieldMessage("name") : undefined;
  return (
    <Box
      component="form"
      noValidate
      aria-label={say("newAthlete")}
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(
          {
            name,
            birthYear: null,
            sex: null,
            statureCm: null,
            lengths: { armCm: null, trunkCm: null, thighCm: null, shankCm: null },
            unit,
            schools: [],
            cleared: false,
            kit: { plates: [], hasBelt: true, vest: null },
            version: 0,
            intake: emptyIntake,
          },
          { onSuccess: () => void navigate(`/athletes/${id}/intake`, { replace: true }) },
        );
      }}
      sx={{ px: { xs: 4, sm: 6 }, py: 4, display: "grid", gap: 4, maxWidth: 420 }}
    >
      <Typography variant="h1">{say("newAthlete")}</Typography>
      <Field
        label={say("name")}
        autoFocus
        value={name}
        onChange={(e) => setName(e.target.value)}
        problem={atName}
        help={say("enoughToBeginEverythingElseCanFollow")}
        slotProps={{ htmlInput: { maxLength: 100 } }}
      />
      {save.error && atName === undefined && (
        <Typography color="error" role="alert">
          {messageOf(save.error)}
        </Typography>
      )}
      <Box sx={{ display: "flex", gap: 3 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={save.isPending}>
          {say("beginTheIntake")}
        </Button>
        <Button component={Link} to="/roster">
          {say("cancel")}
        </Button>
      </Box>
    </Box>
  );
}
