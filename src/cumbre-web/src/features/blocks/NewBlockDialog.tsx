import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { ProgrammeRow } from "../../shared/api/types";
import { dayFull } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { addDays, mondayOf, newBlock, nextMonday } from "../../shared/blocks/doc";
import { useForgetBlocks } from "../../shared/blocks/queries";
import { say } from "../../words/blocks";

/** A block to be written by hand: four loading weeks, an easy one, a retest, with sessions on the athlete's days. */
export function NewBlockDialog({
  row,
  onMade,
  onClose,
}: {
  row: ProgrammeRow;
  onMade: (id: string) => void;
  onClose: () => void;
}) {
  const { today } = useSignedIn();
  const [id] = useState(newId);
  const after = row.block ? addDays(row.block.start, 7 * row.block.weeks) : "";
  const [name, setName] = useState(say("newBlock"));
  const [start, setStart] = useState(() => {
    const next = nextMonday(today);
    return after > next ? after : next;
  });
  const forget = useForgetBlocks();
  const make = useMutation({
    mutationFn: async () => {
      const athlete = await ask(
        api.GET("/api/athletes/{athleteId}", { params: { path: { athleteId: row.athleteId } } }),
      );
      const block = newBlock(name.trim(), mondayOf(start), athlete.intake.days);
      return ask(
        api.PUT("/api/athletes/{athleteId}/blocks/{blockId}", {
          params: { path: { athleteId: row.athleteId, blockId: id } },
          body: { block, version: 0 },
        }),
      );
    },
    onSuccess: async () => {
      await forget();
      onMade(id);
    },
  });
  const monday = start ? mondayOf(start) : "";
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate();
        }}
      >
        <DialogTitle>{say("newBlockFor", { athleteName: row.athleteName })}</DialogTitle>
        <DialogContent>
          <TextField
            label={say("name")}
            value={name}
            onChange={(e) => setName(e.target.value)}
            autoFocus
            onFocus={(e) => e.target.select()}
            sx={{ mt: 2 }}
            slotProps={{ htmlInput: { maxLength: 80 } }}
          />
          <TextField
            label={say("firstWeek")}
            type="date"
            value={start}
            onChange={(e) => setStart(e.target.value)}
            sx={{ mt: 4 }}
            helperText={monday ? say("from", { monday: dayFull(monday) }) : say("chooseADayOfTheFirstWeek")}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
            {say("fourLoadingWeeksADeloadAndA")}
          </Typography>
          {make.isError && (
            <Typography color="error" role="alert" sx={{ mt: 2 }}>
              {messageOf(make.error)}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{say("close")}</Button>
          <Button
            type="submit"
            variant="contained"
            color="secondary"
            disabled={!name.trim() || !monday || make.isPending}
          >
            {say("makeTheBlock")}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
