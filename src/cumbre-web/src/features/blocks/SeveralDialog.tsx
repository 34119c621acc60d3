import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { api, ask } from "../../shared/api/client";
import type { BlockItem, PastedLine } from "../../shared/api/types";
import { LineError } from "../../shared/notation/LineError";
import { Failed, Loading } from "../../shared/ui/states";
import { newItem } from "../../shared/blocks/doc";
import { MovementPicker } from "../../shared/blocks/MovementPicker";
import { say } from "../../words/blocks";

/** What the coach says of a line of the text, by its place in it. */
interface Choice {
  movement?: { slug: string; name: string };
  line?: string;
  leftOut?: boolean;
}

/** Several lines, or two columns, pasted into a session: what each becomes is seen before it is taken in. */
export function SeveralDialog({
  athleteId,
  pasted,
  onTake,
  onClose,
}: {
  athleteId: string;
  pasted: string;
  onTake: (items: BlockItem[]) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState(pasted);
  const [choices, setChoices] = useState<Record<number, Choice>>({});
  const asked = useDeferredValue(text);
  const found = useQuery({
    queryKey: ["notation", "lines", athleteId, asked],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/lines", {
          params: { path: { athleteId } },
          body: { text: asked },
          signal,
        }),
      ),
    enabled: asked.trim() !== "",
    placeholderData: keepPreviousData,
  });
  const rows = asked.trim() === "" ? [] : (found.data ?? []).map((row, i) => ({ row, ...settled(row, choices[i]) }));
  const taken = rows.filter((r) => !r.leftOut && r.movement);
  const waiting = rows.filter((r) => !r.leftOut && !r.movement).length;
  const choose = (i: number, choice: Choice) => setChoices((all) => ({ ...all, [i]: { ...all[i], ...choice } }));
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>{say("pasteSeveralLines")}</DialogTitle>
      <DialogContent>
        <TextField
          label={say("linesOrTwoColumnsMovementAndLine")}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setChoices({});
          }}
          multiline
          minRows={3}
          maxRows={8}
          fullWidth
          autoFocus={pasted === ""}
          placeholder={say("pullUp4X6Rest2")}
          sx={{ mt: 2, "& textarea": { fontStretch: "90%" } }}
          slotProps={{ htmlInput: { spellCheck: false, maxLength: 20_000 } }}
        />
        {found.isError && <Failed error={found.error} retry={() => void found.refetch()} />}
        {found.isFetching && !found.data && <Loading rows={3} />}
        <Box component="ol" aria-label={say("whatTheLinesBecome")} sx={{ listStyle: "none", m: 0, p: 0, mt: 3 }}>
          {rows.map(({ row, movement, line, leftOut }, i) => (
            <Box
              component="li"
              key={i}
              sx={(t) => ({
                display: "grid",
                gridTemplateColumns: "32px minmax(0,220px) minmax(0,1fr)",
                columnGap: 2,
                py: 1,
                borderTop: `1px solid ${t.vars.palette.divider}`,
                fontSize: 14,
                alignItems: "start",
              })}
            >
              <Checkbox
                size="small"
                checked={!leftOut}
                onChange={(_, on) => choose(i, { leftOut: !on })}
                slotProps={{ input: { "aria-label": say("takeIn3", { text: row.text }) } }}
                sx={{ p: 0 }}
              />
              <Box sx={{ minWidth: 0, opacity: leftOut ? 0.6 : 1 }}>
                {movement ? (
                  <b>
                    {row.joined && "+ "}
                    {movement.name}
                  </b>
                ) : leftOut ? (
                  <Typography variant="body2" color="textSecondary">
                    {row.text}
                  </Typography>
                ) : (
                  <>
                    <MovementPicker
                      athleteId={athleteId}
                      label={say("movementOf", { slice: row.text.slice(0, 24) })}
                      onPick={(m) => choose(i, { movement: m, ...(row.line === "" && { line: m.line }) })}
                    />
                    {row.candidates.map((c) => (
                      <Button
                        key={c.slug}
                        size="small"
                        onClick={() => choose(i, { movement: c })}
                        sx={{ mt: 1, mr: 1 }}
                      >
                        {c.name}
                      </Button>
                    ))}
                  </>
                )}
              </Box>
              <Box sx={{ minWidth: 0, opacity: leftOut ? 0.6 : 1 }}>
                {leftOut ? (
                  <Typography variant="body2" color="textSecondary">
                    {say("leftOut")}
                  </Typography>
                ) : (
                  <>
                    {line || <span>{say("itsUsualDose")}</span>}
                    {row.error && line === row.line && (
                      <Box sx={{ fontSize: 13, color: "error.main" }}>
                        <LineError line={line} error={row.error} onTake={(way) => choose(i, { line: way })} />
                      </Box>
                    )}
                  </>
                )}
              </Box>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        {waiting > 0 && (
          <Typography variant="body2" color="textSecondary" sx={{ mr: "auto", pl: 4 }}>
            {say("linesWait", { waiting })}
          </Typography>
        )}
        <Button onClick={onClose}>{say("close")}</Button>
        <Button
          variant="contained"
          color="secondary"
          disabled={taken.length === 0 || asked !== text || found.isPlaceholderData}
          onClick={() =>
            onTake(
              taken.map(({ row, movement, line }, n) => ({
                ...newItem(movement!.slug, line),
                joined: n > 0 && row.joined,
              })),
            )
          }
        >
          {say("add", { taken: taken.length })}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** A line with neither movement nor dose is a heading: it is left out until somebody says otherwise. */
function settled(row: PastedLine, choice: Choice = {}) {
  return {
    movement: choice.movement ?? row.movement,
    line: choice.line ?? row.line,
    leftOut: choice.leftOut ?? (!row.movement && !choice.movement && row.line === ""),
  };
}
