import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useSignedIn } from "../accounts/useMe";
import { api, ask } from "../api/client";
import type { BlockImport } from "../api/types";
import { mondayOf, nextMonday } from "../programmes/doc";
import { useForgetBlocks, useSaveBlock } from "../programmes/queries";
import { WeekStrip } from "../programmes/WeekStrip";
import { dayFull, plural } from "../ui/format";
import { FilePicker, Places, type TextFile } from "../ui/FilePicker";
import { newId } from "../ui/newId";
import { messageOf } from "../ui/states";

/** A block from a file: what would come of it for this athlete is shown first. */
export default function ImportBlockPage() {
  const { athleteId = "" } = useParams();
  const { today } = useSignedIn();
  const [file, setFile] = useState<TextFile | null>(null);
  const [start, setStart] = useState(() => nextMonday(today));
  const read = useMutation({
    mutationFn: (body: { text: string; start: string }) =>
      ask(api.POST("/api/athletes/{athleteId}/blocks/import", { params: { path: { athleteId } }, body })),
  });
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 900 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4 }}>
        <Typography variant="h1">Import a block</Typography>
        <Box sx={{ ml: "auto", fontSize: 13 }}>
          <Link to={`/athletes/${athleteId}/programme`}>Back to the programme</Link>
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 4 }}>
        A file that was exported here or written by hand, as JSON by the{" "}
        <a href="/api/schemas/block-file.schema.json">published schema</a>. Nothing is stored before you say so.
      </Typography>
      <Box sx={{ display: "flex", gap: 3, alignItems: "flex-start", flexWrap: "wrap" }}>
        <TextField
          label="First week"
          type="date"
          value={start}
          onChange={(e) => {
            setStart(e.target.value);
            if (file && e.target.value) read.mutate({ text: file.text, start: mondayOf(e.target.value) });
          }}
          helperText={start ? `From ${dayFull(mondayOf(start))}` : "Choose a day of the first week"}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 260 }}
        />
        <FilePicker
          of="a block"
          disabled={!start}
          onChoose={(chosen) => {
            read.reset();
            setFile(chosen);
            if (chosen) read.mutate({ text: chosen.text, start: mondayOf(start) });
          }}
        />
      </Box>
      <Box sx={{ mt: 4 }}>
        {read.isPending && <Typography role="status">Reading the file</Typography>}
        {read.error && <Alert severity="error">{messageOf(read.error)}</Alert>}
        {read.data && <Preview athleteId={athleteId} found={read.data} today={today} />}
      </Box>
    </Box>
  );
}

function Preview({ athleteId, found, today }: { athleteId: string; found: BlockImport; today: string }) {
  const navigate = useNavigate();
  const [id] = useState(newId);
  const save = useSaveBlock(athleteId, id);
  const forget = useForgetBlocks();
  const { block, reading } = found;
  if (!block || !reading)
    return (
      <>
        <Alert severity="error">This cannot be read as a block; nothing was stored.</Alert>
        <Places label="What is wrong" items={found.problems} />
      </>
    );
  const sessions = block.weeks.reduce((n, w) => n + w.sessions.length, 0);
  return (
    <>
      <Typography variant="h2">{block.name}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {plural(block.weeks.length, "week")}, {plural(sessions, "session")}, from {dayFull(block.start)}
        {reading.cautions.length > 0 && `; ${plural(reading.cautions.length, "caution")} to look at for this athlete`}
      </Typography>
      <WeekStrip
        block={block}
        weeks={reading.weeks}
        cautions={reading.cautions}
        open={-1}
        onOpen={() => {}}
        today={today}
      />
      {found.notes.length > 0 && (
        <>
          <Alert severity="warning" sx={{ mt: 3 }}>
            {plural(found.notes.length, "thing")} to mend afterwards:
          </Alert>
          <Places label="To mend" items={found.notes} />
        </>
      )}
      {save.isError && (
        <Alert severity="error" sx={{ mt: 3 }}>
          {messageOf(save.error)}
        </Alert>
      )}
      <Button
        variant="contained"
        color="secondary"
        sx={{ mt: 4 }}
        disabled={save.isPending}
        onClick={() =>
          save.mutate(
            { block, version: 0 },
            {
              onSuccess: () => {
                void forget();
                void navigate(`/athletes/${athleteId}/blocks/${id}`);
              },
            },
          )
        }
      >
        Take this block
      </Button>
    </>
  );
}
