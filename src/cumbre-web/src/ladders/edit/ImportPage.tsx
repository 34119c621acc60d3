import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { Problem } from "../../api/client";
import type { ImportPreview } from "../../api/types";
import { messageOf } from "../../ui/states";
import { useImport, usePreviewImport } from "./queries";
import { differenceText, moveText } from "./wording";

const megabyte = 1024 * 1024;

/** Ladders from a file: what would change is shown first, and nothing changes while anything is wrong. */
export default function ImportPage() {
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [tooLarge, setTooLarge] = useState<string | null>(null);
  const preview = usePreviewImport();
  const input = useRef<HTMLInputElement>(null);
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    preview.reset();
    setFile(null);
    // The server takes no more; a file that is no ladders need not be read to say so.
    if (chosen.size > 0.9 * megabyte) {
      setTooLarge(`${chosen.name} has ${Math.round(chosen.size / megabyte)} MB; a file of ladders has at most 0.9 MB.`);
      return;
    }
    setTooLarge(null);
    const text = await chosen.text();
    setFile({ name: chosen.name, text });
    preview.mutate(text);
  };
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 900 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4 }}>
        <Typography variant="h1">Import ladders</Typography>
        <Box sx={{ ml: "auto", fontSize: 13 }}>
          <Link to="/ladders">All ladders</Link>
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 4 }}>
        A file that was exported here or written by hand, as JSON by the{" "}
        <a href="/api/schemas/ladders-file.schema.json">published schema</a>. Nothing changes before you say so.
      </Typography>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        Choose a file
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".json,application/json"
        aria-label="File of ladders"
        onChange={(e) => {
          void choose(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      {file && (
        <Box component="span" sx={{ ml: 3, fontSize: 13 }}>
          {file.name}
        </Box>
      )}
      <Box sx={{ mt: 4 }}>
        {tooLarge && <Alert severity="error">{tooLarge}</Alert>}
        {preview.isPending && <Typography role="status">Reading the file</Typography>}
        {preview.error && <Alert severity="error">{messageOf(preview.error)}</Alert>}
        {preview.data && file && (
          <Preview
            key={preview.data.state}
            preview={preview.data}
            text={file.text}
            again={() => preview.mutate(file.text)}
          />
        )}
      </Box>
    </Box>
  );
}

function Preview({ preview, text, again }: { preview: ImportPreview; text: string; again: () => void }) {
  const navigate = useNavigate();
  const apply = useImport();
  const [reason, setReason] = useState("");
  if (preview.problemCount > 0)
    return (
      <>
        <Alert severity="error">
          {preview.problemCount === 1 ? "One thing is" : `${preview.problemCount} things are`} wrong; nothing was
          changed.
          {preview.problemCount > preview.problems.length && ` The first ${preview.problems.length}:`}
        </Alert>
        <Box component="ul" aria-label="What is wrong" sx={{ fontSize: 13, lineHeight: "20px" }}>
          {preview.problems.map((p, i) => (
            <li key={i}>
              <b>{p.place}</b>: {p.message}
            </li>
          ))}
        </Box>
      </>
    );
  if (preview.ladders.length === 0)
    return <Alert severity="info">Everything in this file is as it stands here: nothing to import.</Alert>;
  const reasonError = apply.error instanceof Problem ? apply.error.fieldMessage("reason") : undefined;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        apply.mutate({ text, state: preview.state, reason }, { onSuccess: () => void navigate("/ladders") });
      }}
    >
      {preview.movements.length > 0 && <Typography>New movements: {preview.movements.join(", ")}.</Typography>}
      {preview.ladders.map((l) => (
        <Box component="section" aria-label={l.name} key={l.slug} sx={{ mb: 4 }}>
          <Typography variant="h2">
            {l.name}
            {l.isNew && ", new"}
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 13, lineHeight: "20px" }}>
            {l.differences.map((d) => (
              <li key={`${d.step}-${d.field}-${d.kind}`}>{differenceText(d)}</li>
            ))}
            {l.movers.map((m) => (
              <li key={m.athleteId}>
                <b>{m.name}</b>: {moveText(m)}
              </li>
            ))}
          </Box>
          {!l.isNew && l.movers.length === 0 && (
            <Typography variant="body2" color="textSecondary">
              Nobody would move.
            </Typography>
          )}
        </Box>
      ))}
      {preview.unchanged.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mb: 3 }}>
          As they stand: {preview.unchanged.join(", ")}.
        </Typography>
      )}
      <TextField
        label="Why"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        error={reasonError !== undefined}
        helperText={reasonError ?? "kept with the change"}
        sx={{ width: 320 }}
      />
      {apply.error && !reasonError && (
        <Alert
          severity="warning"
          sx={{ mt: 2 }}
          action={
            <Button size="small" onClick={again}>
              Look again
            </Button>
          }
        >
          {messageOf(apply.error)}
        </Alert>
      )}
      <Box sx={{ mt: 3 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={apply.isPending}>
          Import {preview.ladders.length} {preview.ladders.length === 1 ? "ladder" : "ladders"}
        </Button>
      </Box>
    </Box>
  );
}
