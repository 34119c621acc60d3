import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask } from "../api/client";
import type { Block, BlockItem, ItemChange, Substitute } from "../api/types";
import { dayShort, dayWeek, number, plural } from "../ui/format";
import { Failed, Loading, messageOf } from "../ui/states";
import { addDays } from "./doc";
import { helpQuery, substitutesQuery } from "./queries";
import { changeReasons, examples, returnRules, weekKinds } from "./wording";

/** Writes a week over others. */
export function CopyWeekDialog({
  block,
  from,
  onCopy,
  onClose,
}: {
  block: Block;
  from: number;
  onCopy: (targets: number[]) => void;
  onClose: () => void;
}) {
  const [targets, setTargets] = useState<number[]>(() =>
    block.weeks.flatMap((w, i) => (i > from && w.kind === block.weeks[from]!.kind ? [i] : [])),
  );
  const lost = block.weeks
    .filter((_, i) => targets.includes(i))
    .reduce((sum, w) => sum + w.sessions.filter((s) => !s.fixed && s.items.length > 0).length, 0);
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>Copy week {from + 1}</DialogTitle>
      <DialogContent>
        {block.weeks.map((w, i) => (
          <Box key={i}>
            <FormControlLabel
              control={
                <Checkbox
                  size="small"
                  checked={targets.includes(i)}
                  disabled={i === from}
                  onChange={(_, on) => setTargets(on ? [...targets, i] : targets.filter((t) => t !== i))}
                />
              }
              label={`Week ${i + 1}, ${dayShort(addDays(block.start, 7 * i))}, ${weekKinds[w.kind]}${i === from ? ": this one" : ""}`}
            />
          </Box>
        ))}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {lost > 0
            ? `${plural(lost, "session")} there will be written over. Undo brings them back.`
            : "What has begun there stays."}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" color="secondary" disabled={targets.length === 0} onClick={() => onCopy(targets)}>
          Copy
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Stand-ins for a movement, with what speaks for each. */
export function SubstituteDialog({
  athleteId,
  item,
  name,
  onTake,
  onClose,
}: {
  athleteId: string;
  item: BlockItem;
  name: string;
  onTake: (substitute: Substitute) => void;
  onClose: () => void;
}) {
  const found = useQuery(substitutesQuery(athleteId, item.movement));
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Instead of {name}</DialogTitle>
      <DialogContent>
        {found.isPending && <Loading />}
        {found.isError && <Failed error={found.error} retry={() => void found.refetch()} />}
        {found.data?.length === 0 && (
          <Typography>No other movement does the same without going over the placement, or over what hurts.</Typography>
        )}
        <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
          {found.data?.slice(0, 12).map((s, i) => (
            <Box
              component="li"
              key={s.slug}
              sx={{
                display: "flex",
                gap: 3,
                py: 1.5,
                borderTop: i ? 1 : 0,
                borderColor: "divider",
                alignItems: "center",
              }}
            >
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <b>{s.name}</b>
                <Typography variant="body2" color="textSecondary">
                  {[
                    s.harder === 0
                      ? "same level"
                      : s.harder > 0
                        ? `${plural(s.harder, "level")} harder`
                        : `${plural(-s.harder, "level")} easier`,
                    s.helps && `helps ${s.helps}`,
                    s.status && s.status.toLowerCase(),
                    s.kitMissing && `no ${s.kitMissing} here`,
                    s.line,
                  ]
                    .filter(Boolean)
                    .join("; ")}
                </Typography>
              </Box>
              <Button size="small" onClick={() => onTake(s)} aria-label={`Take ${s.name}`} autoFocus={i === 0}>
                Take
              </Button>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** Missed weeks: the block moves on, and the first week back is eased by the rule. */
export function MissedWeeksDialog({
  athleteId,
  block,
  week,
  onShift,
  onClose,
}: {
  athleteId: string;
  block: Block;
  week: number;
  onShift: (block: Block, changes: ItemChange[]) => void;
  onClose: () => void;
}) {
  const [missed, setMissed] = useState(1);
  const shift = useQuery({
    queryKey: ["block", "shift", athleteId, block, week, missed],
    queryFn: () =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/shift", {
          params: { path: { athleteId } },
          body: { block, week: week + 1, missed },
        }),
      ),
    retry: false,
  });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Missed weeks from week {week + 1} on</DialogTitle>
      <DialogContent>
        <TextField
          select
          label="Weeks missed"
          value={missed}
          onChange={(e) => setMissed(Number(e.target.value))}
          sx={{ mt: 2, width: 160 }}
        >
          {[1, 2, 3, 4, 5, 6, 7, 8].map((n) => (
            <MenuItem key={n} value={n}>
              {n}
            </MenuItem>
          ))}
        </TextField>
        {shift.isPending && <Loading rows={2} />}
        {shift.isError && (
          <Typography color="error" role="alert" sx={{ mt: 2 }}>
            {messageOf(shift.error)}
          </Typography>
        )}
        {shift.data && (
          <Box sx={{ mt: 3 }}>
            <Typography>{returnRules[shift.data.rule]}</Typography>
            <Changes changes={shift.data.changes} />
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button
          variant="contained"
          color="secondary"
          disabled={!shift.data || shift.isFetching}
          onClick={() => shift.data && onShift(shift.data.block, shift.data.changes)}
        >
          Shift the block
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What a rule changed, before and after. */
export function Changes({ changes }: { changes: ItemChange[] }) {
  if (changes.length === 0)
    return (
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        No line changes.
      </Typography>
    );
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 2, p: 0, fontSize: 13, lineHeight: "18px" }}>
      {changes.map((c) => (
        <Box component="li" key={c.item} sx={{ py: 1, borderTop: 1, borderColor: "divider" }}>
          <b>{dayWeek(c.day)}</b>: {c.movementBefore} {c.lineBefore}
          <br />→ {c.movement !== c.movementBefore && `${c.movement} `}
          {c.line}{" "}
          <Box component="span" sx={{ color: "text.secondary" }}>
            ({changeReasons[c.reason]})
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** One line for each thing that can be said. */
export function NotationHelp({ onClose }: { onClose: () => void }) {
  const card = useQuery(helpQuery);
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>The whiteboard line</DialogTitle>
      <DialogContent tabIndex={0}>
        {card.isPending && <Loading />}
        {card.isError && <Failed error={card.error} retry={() => void card.refetch()} />}
        <Box
          component="table"
          sx={{
            width: "100%",
            borderCollapse: "collapse",
            fontSize: 13,
            "& td": { py: 0.75, pr: 3, borderTop: "1px solid", borderColor: "divider", verticalAlign: "top" },
          }}
        >
          <thead>
            <tr>
              {["", "Written so", "and also so"].map((head) => (
                <Box component="th" key={head} sx={{ textAlign: "left", fontWeight: 400, color: "text.secondary" }}>
                  {head}
                </Box>
              ))}
            </tr>
          </thead>
          <tbody>
            {card.data?.map((e) => (
              <tr key={e.line}>
                <Box component="td" sx={{ color: "text.secondary", width: 220 }}>
                  {examples[e.shows]}
                </Box>
                <Box component="td" sx={{ fontWeight: 600, fontStretch: "90%" }}>
                  {e.line}
                </Box>
                <Box component="td" sx={{ fontStretch: "90%" }}>
                  {e.also}
                </Box>
              </tr>
            ))}
          </tbody>
        </Box>
        <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
          Spacing and case are free; kg or lb. Load after @, each percent names its base: e1RM, bm (body mass), top (the
          top set). Tempo: lowering, pause at the bottom, lifting, pause at the top; X as fast as possible. Pairs and
          circuits join items: Ctrl G. A line of at most {number(300)} characters.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Keeps weeks of the block for other athletes. */
export function SaveTemplateDialog({
  athleteId,
  blockId,
  block,
  week,
  onDone,
  onClose,
  newId,
}: {
  athleteId: string;
  blockId: string;
  block: Block;
  week: number;
  onDone: () => void;
  onClose: () => void;
  newId: string;
}) {
  const [name, setName] = useState(`${block.name}, week ${week + 1}`);
  const [whole, setWhole] = useState(false);
  const save = useMutation({
    mutationFn: () =>
      ask(
        api.PUT("/api/templates/{id}", {
          params: { path: { id: newId } },
          body: {
            name,
            athleteId,
            blockId,
            fromWeek: whole ? 1 : week + 1,
            toWeek: whole ? block.weeks.length : week + 1,
          },
        }),
      ),
    onSuccess: onDone,
  });
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>Keep as a template</DialogTitle>
      <DialogContent>
        <TextField
          label="Name"
          value={name}
          onChange={(e) => setName(e.target.value)}
          sx={{ mt: 2 }}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <FormControlLabel
          control={<Checkbox size="small" checked={whole} onChange={(_, on) => setWhole(on)} />}
          label={`The whole block, ${plural(block.weeks.length, "week")}`}
          sx={{ mt: 2 }}
        />
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          Loads in kg become shares of the one-rep maximum where one is known, so that each athlete gets their own.
        </Typography>
        {save.isError && (
          <Typography color="error" role="alert" sx={{ mt: 2 }}>
            {messageOf(save.error)}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button
          variant="contained"
          color="secondary"
          disabled={!name.trim() || save.isPending}
          onClick={() => save.mutate()}
        >
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
}
