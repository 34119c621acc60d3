import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, Problem } from "../../shared/api/client";
import { announce } from "../../shared/ui/announce";
import { Field } from "../../shared/ui/Field";
import { messageOf } from "../../shared/ui/states";
import { say } from "../../words/board";

/** What the board in the hall shows of an athlete: a name of their choice, and pain only if they agree. */
export function WallCard({ athleteId }: { athleteId: string }) {
  const path = { athleteId };
  const wall = useQuery({
    queryKey: ["wall", athleteId],
    queryFn: ({ signal }) => ask(api.GET("/api/athletes/{athleteId}/wall", { params: { path }, signal })),
  });
  if (!wall.data) return null;
  return (
    <WallForm key={JSON.stringify(wall.data)} athleteId={athleteId} name={wall.data.name ?? ""} pain={wall.data.pain} />
  );
}

function WallForm({ athleteId, name: known, pain: agreed }: { athleteId: string; name: string; pain: boolean }) {
  const [name, setName] = useState(known);
  const [pain, setPain] = useState(agreed);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      ask(
        api.PUT("/api/athletes/{athleteId}/wall", {
          params: { path: { athleteId } },
          body: { name: name || null, pain },
        }),
      ),
    onSuccess: () => {
      announce(say("saved"));
      return queries.invalidateQueries({ queryKey: ["wall", athleteId] });
    },
  });
  const refused = save.error instanceof Problem ? save.error.fieldMessage("name") : undefined;
  return (
    <Box component="section" aria-label={say("wall")}>
      <Typography variant="h2">{say("wall")}</Typography>
      <Typography color="textSecondary" sx={{ mb: 3 }}>
        {say("wallHelp")}
      </Typography>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", alignItems: "start" }}>
        <Field
          label={say("name")}
          value={name}
          onChange={(e) => setName(e.target.value)}
          problem={refused}
          slotProps={{ htmlInput: { maxLength: 20 } }}
        />
        <FormControlLabel
          control={<Checkbox checked={pain} onChange={(_, on) => setPain(on)} />}
          label={say("showPain")}
        />
        <Button variant="outlined" disabled={save.isPending} onClick={() => save.mutate()} sx={{ minHeight: 40 }}>
          {say("save")}
        </Button>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {say("painHelp")}
      </Typography>
      {save.isError && !refused && (
        <Typography color="error" role="alert">
          {messageOf(save.error)}
        </Typography>
      )}
    </Box>
  );
}
