import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { newId } from "../../shared/ui/newId";
import { Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/exchange";
import { told } from "../../words/server";

/** What goes out: everything as a workbook, the sets as text, an archive for another club. */
export function Out() {
  const roster = useQuery(rosterQuery());
  const [athlete, setAthlete] = useState("");
  const of = athlete && `?athlete=${athlete}`;
  return (
    <Box component="section" aria-label={say("takeAlong")} sx={{ pt: 6, maxWidth: 760 }}>
      <Typography variant="h2" sx={{ pb: 3 }}>
        {say("takeAlong")}
      </Typography>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap" }}>
        <TextField
          select
          label={say("whose")}
          value={athlete}
          onChange={(e) => setAthlete(e.target.value)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: 230 }}
        >
          <MenuItem value="">{say("everybody")}</MenuItem>
          {roster.data?.map((a) => (
            <MenuItem key={a.id} value={a.id}>
              {a.name}
            </MenuItem>
          ))}
        </TextField>
        <Button size="small" component="a" href={`/api/export.xlsx${of}`} download>
          {say("asBook")}
        </Button>
        <Button size="small" component="a" href={`/api/logbook/sets.csv${of}`} download>
          {say("asText")}
        </Button>
        <Button size="small" component="a" href={`/api/archive.json${of}`} download>
          {say("asArchive")}
        </Button>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        {say("outHelp")}
      </Typography>
    </Box>
  );
}

/** An archive of another club: looked at, then taken over. */
export function ArchiveIn() {
  const { isClub } = useSignedIn();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const client = useQueryClient();
  const raw = {
    bodySerializer: (body: unknown) => body as BodyInit,
    headers: { "Content-Type": "application/json" },
  };
  const check = useMutation({
    mutationFn: (chosen: File) => ask(api.POST("/api/archives/check", { body: chosen as never, ...raw })),
  });
  const add = useMutation({
    mutationFn: (chosen: File) =>
      ask(
        api.PUT("/api/archives/{id}", {
          params: { path: { id: newId() }, query: { name: chosen.name } },
          body: chosen as never,
          ...raw,
        }),
      ),
    onSuccess: () => client.invalidateQueries(),
  });
  if (!isClub) return null;
  const answer = add.data ?? check.data;
  const fresh = answer?.athletes.filter((a) => !a.isKnown) ?? [];
  return (
    <Box component="section" aria-label={say("archiveIn")} sx={{ pt: 6, maxWidth: 760 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="h2">{say("archiveIn")}</Typography>
        <Button size="small" onClick={() => input.current?.click()}>
          {say("chooseArchive")}
        </Button>
        {file && <Typography>{file.name}</Typography>}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        {say("archiveHelp")}
      </Typography>
      <input
        ref={input}
        type="file"
        hidden
        accept=".json,application/json"
        aria-label={say("archiveIn")}
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = "";
          if (!chosen) return;
          setFile(chosen);
          add.reset();
          check.mutate(chosen);
        }}
      />
      {check.isPending && <Loading rows={1} label={say("looking")} />}
      {(check.isError || add.isError) && (
        <Alert severity="error" sx={{ mt: 3 }}>
          {messageOf(add.error ?? check.error)}
        </Alert>
      )}
      {answer?.problems.map((p) => (
        <Alert key={p.place} severity="error" sx={{ mt: 3 }}>
          {p.place}: {told(p.message)}
        </Alert>
      ))}
      {answer && answer.problems.length === 0 && (
        <Box role="status" sx={{ mt: 3 }}>
          <Typography>
            {add.data
              ? say("archiveDone", { count: fresh.length })
              : say("archiveBrings", { fresh: fresh.length, known: answer.athletes.length - fresh.length })}
          </Typography>
          <Box component="ul" sx={{ fontSize: 13, lineHeight: "20px", columns: { sm: 2 } }}>
            {fresh.map((a, i) => (
              <li key={i}>{say("archivedAthlete", { name: a.name, sessions: a.sessions, tests: a.tests })}</li>
            ))}
          </Box>
          {!add.data && fresh.length > 0 && (
            <Button
              variant="contained"
              color="primary"
              disabled={add.isPending}
              onClick={() => file && add.mutate(file)}
            >
              {say("bringItIn")}
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}
