import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useSignedIn } from "../accounts/useMe";
import { api, ask } from "../api/client";
import type { ProgrammeRow } from "../api/types";
import { dayFull } from "../ui/format";
import { newId } from "../ui/newId";
import { messageOf } from "../ui/states";
import { addDays, mondayOf, newBlock, nextMonday } from "./doc";
import { useForgetBlocks } from "./queries";

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
  const [name, setName] = useState("New block");
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
        <DialogTitle>New block for {row.athleteName}</DialogTitle>
        <DialogContent>
          <TextField
            label="Name"
            value={name}
            onChange={(e) => setName(e.target.value)}
            autoFocus
            onFocus={(e) => e.target.select()}
            sx={{ mt: 2 }}
            slotProps={{ htmlInput: { maxLength: 80 } }}
          />
          <TextField
            label="First week"
            type="date"
            value={start}
            onChange={(e) => setStart(e.target.value)}
            sx={{ mt: 4 }}
            helperText={monday ? `From ${dayFull(monday)}` : "Choose a day of the first week"}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
            Four loading weeks, a deload and a retest, with empty sessions on the days of the intake. All of it can be
            changed.
          </Typography>
          {make.isError && (
            <Typography color="error" role="alert" sx={{ mt: 2 }}>
              {messageOf(make.error)}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Close</Button>
          <Button
            type="submit"
            variant="contained"
            color="secondary"
            disabled={!name.trim() || !monday || make.isPending}
          >
            Make the block
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
