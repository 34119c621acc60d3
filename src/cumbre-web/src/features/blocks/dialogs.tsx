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
import { api, ask } from "../../shared/api/client";
import type { Block, BlockItem, ItemChange, Substitute } from "../../shared/api/types";
import { dayShort, dayWeek, number } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { addDays } from "../../shared/blocks/doc";
import { helpQuery, substitutesQuery } from "../../shared/blocks/queries";
import { changeReasons, examples, returnRules, weekKinds } from "../../shared/blocks/wording";
import { Term } from "../../shared/ui/Term";
import { useRead } from "../../shared/notation/useRead";
import { say } from "../../words/blocks";
import { statusWord } from "../../shared/ladders/wording";

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
      <DialogTitle>{say("copyWeek", { from: from + 1 })}</DialogTitle>
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
              label={say(i === from ? "thisWeek" : "week", {
                i: i + 1,
                dayShort: dayShort(addDays(block.start, 7 * i)),
                weekKinds: weekKinds[w.kind],
              })}
            />
          </Box>
        ))}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {lost > 0 ? say("text", { lost }) : say("whatHasBegunThereStays")}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
        <Button variant="contained" color="secondary" disabled={targets.length === 0} onClick={() => onCopy(targets)}>
          {say("copy")}
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
  const read = useRead();
  const found = useQuery(substitutesQuery(athleteId, item.movement));
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{say("insteadOf", { name })}</DialogTitle>
      <DialogContent>
        {found.isPending && <Loading />}
        {found.isError && <Failed error={found.error} retry={() => void found.refetch()} />}
        {found.data?.length === 0 && <Typography>{say("noOtherMovementDoesTheSameWithout")}</Typography>}
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
                      ? say("sameLevel")
                      : s.harder > 0
                        ? say("text2", { harder: s.harder })
                        : say("text3", { harder: -s.harder }),
                    s.helps && say("helps", { helps: s.helps }),
                    s.status && statusWord[s.status],
                    s.kitMissing && say("noHere", { kitMissing: s.kitMissing }),
                    read(s.line),
                  ]
                    .filter(Boolean)
                    .join("; ")}
                </Typography>
              </Box>
              <Button
                size="small"
                onClick={() => onTake(s)}
                aria-label={say("take", { name: s.name })}
                autoFocus={i === 0}
              >
                {say("take2")}
              </Button>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
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
      <DialogTitle>{say("missedWeeksFromWeekOn", { week: week + 1 })}</DialogTitle>
      <DialogContent>
        <TextField
          select
          label={say("weeksMissed")}
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
        <Button onClick={onClose}>{say("close")}</Button>
        <Button
          variant="contained"
          color="secondary"
          disabled={!shift.data || shift.isFetching}
          onClick={() => shift.data && onShift(shift.data.block, shift.data.changes)}
        >
          {say("shiftTheBlock")}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What a rule changed, before and after. */
export function Changes({ changes }: { changes: ItemChange[] }) {
  const read = useRead();
  if (changes.length === 0)
    return (
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        {say("noLineChanges")}
      </Typography>
    );
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 2, p: 0, fontSize: 13, lineHeight: "18px" }}>
      {changes.map((c) => (
        <Box component="li" key={c.item} sx={{ py: 1, borderTop: 1, borderColor: "divider" }}>
          <b>{dayWeek(c.day)}</b>: {c.movementBefore} {read(c.lineBefore)}
          <br />→ {c.movement !== c.movementBefore && `${c.movement} `}
          {read(c.line)}{" "}
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
      <DialogTitle>
        <Term id="whiteboardLine">{say("theWhiteboardLine")}</Term>
      </DialogTitle>
      <DialogContent tabIndex={0}>
        {card.isPending && <Loading />}
        {card.isError && <Failed error={card.error} retry={() => void card.refetch()} />}
        <Box
          component="table"
          aria-label={say("theWhiteboardLine")}
          sx={{
            width: "100%",
            borderCollapse: "collapse",
            fontSize: 13,
            "& td": { py: 0.75, pr: 3, borderTop: "1px solid", borderColor: "divider", verticalAlign: "top" },
          }}
        >
          <thead>
            <tr>
              {["", say("writtenSo"), say("andAlsoSo")].map((head) => (
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
          {say("spacingAndCaseAreFreeKgOr", { number: number(300) })}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          {say("close")}
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
  const [name, setName] = useState(say("week2", { name: block.name, week: week + 1 }));
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
      <DialogTitle>{say("keepAsATemplate")}</DialogTitle>
      <DialogContent>
        <TextField
          label={say("name")}
          value={name}
          onChange={(e) => setName(e.target.value)}
          sx={{ mt: 2 }}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <FormControlLabel
          control={<Checkbox size="small" checked={whole} onChange={(_, on) => setWhole(on)} />}
          label={say("theWholeBlock", { weeks: block.weeks.length })}
          sx={{ mt: 2 }}
        />
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {say("loadsInKgBecomeSharesOfThe")}
        </Typography>
        {save.isError && (
          <Typography color="error" role="alert" sx={{ mt: 2 }}>
            {messageOf(save.error)}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
        <Button
          variant="contained"
          color="secondary"
          disabled={!name.trim() || save.isPending}
          onClick={() => save.mutate()}
        >
          {say("keep")}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
