import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { useSignedIn } from "../accounts/useMe";
import { api, ask } from "../api/client";
import type { FitAnswer, ProgrammeRow, Template } from "../api/types";
import { dayFull, plural } from "../ui/format";
import { newId } from "../ui/newId";
import { Loading, messageOf } from "../ui/states";
import { Changes } from "./dialogs";
import { addDays, mondayOf } from "./doc";
import { useForgetBlocks } from "./queries";

/** Fits a template to athletes, shows what changes for each, and makes the blocks. */
export function ApplyTemplateDialog({
  template,
  athletes,
  onClose,
}: {
  template: Template;
  athletes: ProgrammeRow[];
  onClose: () => void;
}) {
  const { today } = useSignedIn();
  const [chosen, setChosen] = useState<{ athleteId: string; blockId: string }[]>([]);
  const [start, setStart] = useState(() => addDays(mondayOf(today), 7));
  const forget = useForgetBlocks();
  const monday = start ? mondayOf(start) : "";
  const body = { athletes: chosen, start: monday, name: null };
  const path = { path: { id: template.id } };
  const fit = useQuery({
    queryKey: ["block", "fit", template.id, body],
    queryFn: () => ask(api.POST("/api/templates/{id}/fit", { params: path, body })),
    enabled: chosen.length > 0 && monday !== "",
    retry: false,
  });
  const apply = useMutation({
    mutationFn: () => ask(api.POST("/api/templates/{id}/apply", { params: path, body })),
    onSuccess: forget,
  });
  const shown = apply.data ?? fit.data;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>Apply “{template.name}”</DialogTitle>
      <DialogContent>
        {!apply.data && (
          <>
            <TextField
              label="First week"
              type="date"
              value={start}
              onChange={(e) => setStart(e.target.value)}
              helperText={monday ? `From ${dayFull(monday)}` : "Choose a day of the first week"}
              sx={{ mt: 2, width: 220 }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Box role="group" aria-label="Athletes" sx={{ mt: 3, columnCount: { xs: 1, sm: 3 } }}>
              {athletes.map((a) => (
                <Box key={a.athleteId}>
                  <FormControlLabel
                    control={
                      <Checkbox
                        size="small"
                        checked={chosen.some((c) => c.athleteId === a.athleteId)}
                        onChange={(_, on) =>
                          setChosen(
                            on
                              ? [...chosen, { athleteId: a.athleteId, blockId: newId() }]
                              : chosen.filter((c) => c.athleteId !== a.athleteId),
                          )
                        }
                      />
                    }
                    label={a.athleteName}
                  />
                </Box>
              ))}
            </Box>
          </>
        )}
        {fit.isFetching && <Loading rows={2} label="Fitting" />}
        {(fit.isError || apply.isError) && (
          <Typography color="error" role="alert" sx={{ mt: 2 }}>
            {messageOf(apply.error ?? fit.error)}
          </Typography>
        )}
        {chosen.length > 0 && shown?.map((f) => <Fitted key={f.athleteId} answer={f} made={apply.isSuccess} />)}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        {!apply.data && (
          <Button
            variant="contained"
            color="secondary"
            disabled={!fit.data || fit.isFetching || apply.isPending || chosen.length === 0}
            onClick={() => apply.mutate()}
          >
            Make {plural(chosen.length, "block")}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function Fitted({ answer, made }: { answer: FitAnswer; made: boolean }) {
  return (
    <Box sx={{ mt: 4 }}>
      <Typography variant="h3" component="h3">
        {made ? (
          <Link to={`/athletes/${answer.athleteId}/blocks/${answer.blockId}`}>{answer.athleteName}</Link>
        ) : (
          answer.athleteName
        )}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {plural(answer.changes.length, "change")}
        {answer.cautions.length > 0 && `, ${plural(answer.cautions.length, "kind")} of caution to look at in the block`}
        {answer.unread > 0 && `, ${plural(answer.unread, "line")} to mend`}
      </Typography>
      <Changes changes={answer.changes} />
    </Box>
  );
}
