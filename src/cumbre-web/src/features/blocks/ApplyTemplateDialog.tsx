import { Listed } from "../../shared/ui/Listed";
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
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { FitAnswer, ProgrammeRow, Template } from "../../shared/api/types";
import { dayFull, plural } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { Loading, messageOf } from "../../shared/ui/states";
import { Changes } from "./dialogs";
import { addDays, mondayOf } from "../../shared/blocks/doc";
import { useForgetBlocks } from "../../shared/blocks/queries";
import { say } from "../../words/blocks";

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
      <DialogTitle>{say("apply", { name: template.name })}</DialogTitle>
      <DialogContent>
        {!apply.data && (
          <>
            <TextField
              label={say("firstWeek")}
              type="date"
              value={start}
              onChange={(e) => setStart(e.target.value)}
              helperText={monday ? say("from", { monday: dayFull(monday) }) : say("chooseADayOfTheFirstWeek")}
              sx={{ mt: 2, width: 220 }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Box role="group" aria-label={say("athletes")} sx={{ mt: 3, columnCount: { xs: 1, sm: 3 } }}>
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
        {fit.isFetching && <Loading rows={2} label={say("fitting")} />}
        {(fit.isError || apply.isError) && (
          <Typography color="error" role="alert" sx={{ mt: 2 }}>
            {messageOf(apply.error ?? fit.error)}
          </Typography>
        )}
        {chosen.length > 0 && shown?.map((f) => <Fitted key={f.athleteId} answer={f} made={apply.isSuccess} />)}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
        {!apply.data && (
          <Button
            variant="contained"
            color="secondary"
            disabled={!fit.data || fit.isFetching || apply.isPending || chosen.length === 0}
            onClick={() => apply.mutate()}
          >
            {say("make2", { chosen: chosen.length })}
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
        <Listed>
          {plural(answer.changes.length, "change")}
          {answer.cautions.length > 0 && say("text4", { cautions: answer.cautions.length })}
          {answer.unread > 0 && say("text5", { unread: answer.unread })}
        </Listed>
      </Typography>
      <Changes changes={answer.changes} />
    </Box>
  );
}
