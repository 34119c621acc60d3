import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { Problem } from "../../shared/api/client";
import type { VersionList } from "../../shared/api/types";
import { dayFull } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { MessageForm } from "./MessageForm";
import { fileAddress, usePublish, versionsQuery, type PublishProps } from "../../shared/blocks/publishing";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/publish";

/** Freezes the block as a version, and gives paper, calendar and files of any of them. */
export function PublishDialog({ athleteId, blockId, version, weeks, saved, onClose }: PublishProps) {
  const list = useQuery({ ...versionsQuery(athleteId, blockId), staleTime: 0 });
  const publish = usePublish(athleteId, blockId);
  const title = useRef<HTMLHeadingElement>(null);
  const [note, setNote] = useState("");
  const [time, setTime] = useState("");
  const next = (list.data?.versions[0]?.number ?? 0) + 1;
  const noteError = publish.error instanceof Problem ? publish.error.fieldMessage("note") : undefined;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle ref={title} tabIndex={-1}>
        {say("publish")}
      </DialogTitle>
      <DialogContent>
        {list.isPending && <Loading rows={2} />}
        {list.isError && <Failed error={list.error} retry={() => void list.refetch()} />}
        {list.data && (
          <>
            <State list={list.data} />
            {list.data.changed && (
              <Box
                component="form"
                onSubmit={(e) => {
                  e.preventDefault();
                  publish.mutate(
                    { version, note: note.trim() || null },
                    {
                      onSuccess: () => {
                        setNote("");
                        // The form goes, and would take the focus with it.
                        title.current?.focus();
                      },
                    },
                  );
                }}
                sx={{ display: "flex", gap: 3, mt: 3, alignItems: "flex-start" }}
              >
                <Field
                  label={say("whatIsNew")}
                  value={note}
                  onChange={(e) => setNote(e.target.value)}
                  problem={noteError}
                  slotProps={{ htmlInput: { maxLength: 200 } }}
                  fullWidth
                />
                <Button
                  type="submit"
                  variant="contained"
                  color="secondary"
                  disabled={!saved || publish.isPending}
                  sx={{ flexShrink: 0 }}
                >
                  {say("publishVersion", { next })}
                </Button>
              </Box>
            )}
            {!saved && (
              <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
                {say("notSavedYetPublishOnceItIs")}
              </Typography>
            )}
            {publish.isError && !noteError && (
              <Alert severity="error" icon={false} sx={{ mt: 3 }}>
                {messageOf(publish.error)}
              </Alert>
            )}
            <TextField
              label={say("sessionsBeginAt")}
              type="time"
              value={time}
              onChange={(e) => setTime(e.target.value)}
              helperText={say("forTheCalendarEmptyAllDay")}
              slotProps={{ inputLabel: { shrink: true } }}
              sx={{ mt: 5, width: 220 }}
            />
            <Box component="ul" aria-label={say("versions")} sx={{ listStyle: "none", m: 0, mt: 3, p: 0 }}>
              {list.data.versions.map((v) => (
                <Row
                  key={v.number}
                  name={say("version2", { number: v.number })}
                  about={`${dayFull(v.at.slice(0, 10))}${v.by ? `, ${v.by}` : ""}${v.note ? `: ${v.note}` : ""}`}
                  {...{ athleteId, blockId, time }}
                  version={v.number}
                />
              ))}
              {list.data.changed && (
                <Row
                  name={say("draft")}
                  about={say("asItStandsNow")}
                  {...{ athleteId, blockId, time }}
                  version={null}
                />
              )}
            </Box>
            <Typography variant="h3" sx={{ mt: 4 }}>
              {say("aWeekAsAMessage", {
                value: list.data.changed
                  ? say("ofTheDraft")
                  : say("ofVersion", { number: list.data.versions[0]?.number ?? 0 }),
              })}
            </Typography>
            <MessageForm
              {...{ athleteId, blockId, time, weeks }}
              version={list.data.changed ? null : (list.data.versions[0]?.number ?? null)}
            />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button component={Link} to="/outbox" variant="text" sx={{ mr: "auto" }}>
          {say("outbox")}
        </Button>
        <Button onClick={onClose}>{say("close")}</Button>
      </DialogActions>
    </Dialog>
  );
}

function State({ list }: { list: VersionList }) {
  const newest = list.versions[0];
  return (
    <Typography>
      {newest
        ? list.changed
          ? say("changedSinceVersion", { number: newest.number })
          : say("versionIsWhatStandsHere", { number: newest.number })
        : say("neverPublishedTheAthletesPaperAnd")}
      {list.openCautions > 0 && <> {say("text4", { openCautions: list.openCautions })}</>}
    </Typography>
  );
}

function Row({
  name,
  about,
  athleteId,
  blockId,
  version,
  time,
}: {
  name: string;
  about: string;
  athleteId: string;
  blockId: string;
  version: number | null;
  time: string;
}) {
  const print = `/athletes/${athleteId}/blocks/${blockId}/print${version === null ? "" : `?version=${version}`}`;
  const files = [
    [say("calendar"), "calendar.ics"],
    [say("table"), "block.csv"],
    [say("file"), "block.json"],
  ] as const;
  return (
    <Box component="li" sx={{ py: 2, borderTop: 1, borderColor: "divider", fontSize: 13, lineHeight: "18px" }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap" }}>
        <Box sx={{ mr: "auto", minWidth: 0 }}>
          <b>{name}</b>, {about}
        </Box>
        <Link to={print} aria-label={say("print", { name })}>
          {say("print2")}
        </Link>
        {files.map(([label, file]) => (
          <a
            key={file}
            href={fileAddress(athleteId, blockId, file, version, file === "calendar.ics" ? time : "")}
            download
            aria-label={say("fileOf", { label, name })}
          >
            {label}
          </a>
        ))}
      </Box>
    </Box>
  );
}
