import { Listed } from "../../shared/ui/Listed";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { BlockImport } from "../../shared/api/types";
import { mondayOf, nextMonday } from "../../shared/blocks/doc";
import { useForgetBlocks, useSaveBlock } from "../../shared/blocks/queries";
import { WeekStrip } from "../../shared/blocks/WeekStrip";
import { dayFull } from "../../shared/ui/format";
import { FilePicker, Places, type TextFile } from "../../shared/ui/FilePicker";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { say } from "../../words/publish";

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
        <Typography variant="h1">{say("importABlock")}</Typography>
        <Box sx={{ ml: "auto", fontSize: 13 }}>
          <Link to={`/athletes/${athleteId}/programme`}>{say("backToTheProgramme")}</Link>
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 4 }}>
        {say.rich("aFileThatWasExportedHereOr", {
          a: (schema) => <a href="/api/schemas/block-file.schema.json">{schema}</a>,
        })}
      </Typography>
      <Box sx={{ display: "flex", gap: 3, alignItems: "flex-start", flexWrap: "wrap" }}>
        <TextField
          label={say("firstWeek")}
          type="date"
          value={start}
          onChange={(e) => {
            setStart(e.target.value);
            if (file && e.target.value) read.mutate({ text: file.text, start: mondayOf(e.target.value) });
          }}
          helperText={start ? say("from", { dayFull: dayFull(mondayOf(start)) }) : say("chooseADayOfTheFirstWeek")}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 260 }}
        />
        <FilePicker
          of={say("block")}
          disabled={!start}
          onChoose={(chosen) => {
            read.reset();
            setFile(chosen);
            if (chosen) read.mutate({ text: chosen.text, start: mondayOf(start) });
          }}
        />
      </Box>
      <Box sx={{ mt: 4 }}>
        {read.isPending && <Typography role="status">{say("readingTheFile")}</Typography>}
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
        <Alert severity="error">{say("thisCannotBeReadAsABlock")}</Alert>
        <Places label={say("whatIsWrong")} items={found.problems} />
      </>
    );
  const sessions = block.weeks.reduce((n, w) => n + w.sessions.length, 0);
  return (
    <>
      <Typography variant="h2">{block.name}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        <Listed>
          {say("text", { weeks: block.weeks.length, sessions, start: dayFull(block.start) })}
          {reading.cautions.length > 0 && say("text2", { cautions: reading.cautions.length })}
        </Listed>
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
            {say("text3", { notes: found.notes.length })}
          </Alert>
          <Places label={say("toMend")} items={found.notes} />
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
        {say("takeThisBlock")}
      </Button>
    </>
  );
}
