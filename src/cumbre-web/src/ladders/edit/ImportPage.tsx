import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { Problem } from "../../api/client";
import type { ImportPreview } from "../../api/types";
import { FilePicker, Places, type TextFile } from "../../ui/FilePicker";
import { messageOf } from "../../ui/states";
import { useImport, usePreviewImport } from "./queries";
import { differenceText, moveText } from "./wording";

/** Ladders from a file: what would change is shown first, and nothing changes while anything is wrong. */
export default function ImportPage() {
  const [file, setFile] = useState<TextFile | null>(null);
  const preview = usePreviewImport();
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
      <FilePicker
        of="ladders"
        onChoose={(chosen) => {
          preview.reset();
          setFile(chosen);
          if (chosen) preview.mutate(chosen.text);
        }}
      />
      <Box sx={{ mt: 4 }}>
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
        <Places label="What is wrong" items={preview.problems} />
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
