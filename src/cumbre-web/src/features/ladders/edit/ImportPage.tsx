import { Listed } from "../../../shared/ui/Listed";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { Problem } from "../../../shared/api/client";
import type { ImportPreview } from "../../../shared/api/types";
import { FilePicker, Places, type TextFile } from "../../../shared/ui/FilePicker";
import { messageOf } from "../../../shared/ui/states";
import { useImport, usePreviewImport } from "./queries";
import { differenceText, moveText } from "./wording";
import { Field } from "../../../shared/ui/Field";
import { say } from "../../../words/ladders";

/** Ladders from a file: what would change is shown first, and nothing changes while anything is wrong. */
export default function ImportPage() {
  const [file, setFile] = useState<TextFile | null>(null);
  const preview = usePreviewImport();
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 900 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4 }}>
        <Typography variant="h1">{say("importLadders")}</Typography>
        <Box sx={{ ml: "auto", fontSize: 13 }}>
          <Link to="/ladders">{say("allLadders")}</Link>
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 4 }}>
        {say.rich("aFileThatWasExportedHereOr", {
          a: (schema) => <a href="/api/schemas/ladders-file.schema.json">{schema}</a>,
        })}
      </Typography>
      <FilePicker
        of={say("ladderFile")}
        onChoose={(chosen) => {
          preview.reset();
          setFile(chosen);
          if (chosen) preview.mutate(chosen.text);
        }}
      />
      <Box sx={{ mt: 4 }}>
        {preview.isPending && <Typography role="status">{say("readingTheFile")}</Typography>}
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
          {say("wrongNothingWasChanged", { problems: preview.problemCount })}
          {preview.problemCount > preview.problems.length && (
            <> {say("theFirst", { problems: preview.problems.length })}</>
          )}
        </Alert>
        <Places label={say("whatIsWrong")} items={preview.problems} />
      </>
    );
  if (preview.ladders.length === 0) return <Alert severity="info">{say("everythingInThisFileIsAsIt")}</Alert>;
  const reasonError = apply.error instanceof Problem ? apply.error.fieldMessage("reason") : undefined;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        apply.mutate({ text, state: preview.state, reason }, { onSuccess: () => void navigate("/ladders") });
      }}
    >
      {preview.movements.length > 0 && (
        <Typography>{say("newMovements", { movements: preview.movements.join(", ") })}</Typography>
      )}
      {preview.ladders.map((l) => (
        <Box component="section" aria-label={l.name} key={l.slug} sx={{ mb: 4 }}>
          <Typography variant="h2">
            <Listed>
              {l.name}
              {l.isNew && say("isNew")}
            </Listed>
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
              {say("nobodyWouldMove")}
            </Typography>
          )}
        </Box>
      ))}
      {preview.unchanged.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mb: 3 }}>
          {say("asTheyStand", { unchanged: preview.unchanged.join(", ") })}
        </Typography>
      )}
      <Field
        label={say("why")}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        problem={reasonError}
        help={say("keptWithTheChange")}
        sx={{ width: 320 }}
      />
      {apply.error && !reasonError && (
        <Alert
          severity="warning"
          sx={{ mt: 2 }}
          action={
            <Button size="small" onClick={again}>
              {say("lookAgain")}
            </Button>
          }
        >
          {messageOf(apply.error)}
        </Alert>
      )}
      <Box sx={{ mt: 3 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={apply.isPending}>
          {say("importLadderCount", { count: preview.ladders.length })}
        </Button>
      </Box>
    </Box>
  );
}
