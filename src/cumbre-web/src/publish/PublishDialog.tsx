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
import { useState } from "react";
import { Link } from "react-router";
import { Problem } from "../api/client";
import type { VersionList, WeekKind } from "../api/types";
import { dayFull, plural } from "../ui/format";
import { Failed, Loading, messageOf } from "../ui/states";
import { MessageForm } from "./MessageForm";
import { fileAddress, usePublish, versionsQuery } from "./queries";

/** Freezes the block as a version, and gives paper, calendar and files of any of them. */
export function PublishDialog({
  athleteId,
  blockId,
  version,
  weeks,
  saved,
  onClose,
}: {
  athleteId: string;
  blockId: string;
  /** Of the block as it is stored. */
  version: number;
  weeks: WeekKind[];
  /** What is typed is stored. */
  saved: boolean;
  onClose: () => void;
}) {
  const list = useQuery({ ...versionsQuery(athleteId, blockId), staleTime: 0 });
  const publish = usePublish(athleteId, blockId);
  const [note, setNote] = useState("");
  const [time, setTime] = useState("");
  const next = (list.data?.versions[0]?.number ?? 0) + 1;
  const noteError = publish.error instanceof Problem ? publish.error.fieldMessage("note") : undefined;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Publish</DialogTitle>
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
                  publish.mutate({ version, note: note.trim() || null }, { onSuccess: () => setNote("") });
                }}
                sx={{ display: "flex", gap: 3, mt: 3, alignItems: "flex-start" }}
              >
                <TextField
                  label="What is new"
                  value={note}
                  onChange={(e) => setNote(e.target.value)}
                  error={Boolean(noteError)}
                  helperText={noteError}
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
                  Publish version {next}
                </Button>
              </Box>
            )}
            {!saved && (
              <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
                Not saved yet: publish once it is.
              </Typography>
            )}
            {publish.isError && !noteError && (
              <Alert severity="error" icon={false} sx={{ mt: 3 }}>
                {messageOf(publish.error)}
              </Alert>
            )}
            <TextField
              label="Sessions begin at"
              type="time"
              value={time}
              onChange={(e) => setTime(e.target.value)}
              helperText="for the calendar; empty: all day"
              slotProps={{ inputLabel: { shrink: true } }}
              sx={{ mt: 5, width: 220 }}
            />
            <Box component="ul" aria-label="Versions" sx={{ listStyle: "none", m: 0, mt: 3, p: 0 }}>
              {list.data.versions.map((v) => (
                <Row
                  key={v.number}
                  name={`Version ${v.number}`}
                  about={`${dayFull(v.at.slice(0, 10))}${v.by ? `, ${v.by}` : ""}${v.note ? `: ${v.note}` : ""}`}
                  {...{ athleteId, blockId, time }}
                  version={v.number}
                />
              ))}
              {list.data.changed && (
                <Row name="Draft" about="as it stands now" {...{ athleteId, blockId, time }} version={null} />
              )}
            </Box>
            <Typography variant="h3" sx={{ mt: 4 }}>
              A week as a message, {list.data.changed ? "of the draft" : `of version ${list.data.versions[0]?.number}`}
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
          Outbox
        </Button>
        <Button onClick={onClose}>Close</Button>
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
          ? `Changed since version ${newest.number}.`
          : `Version ${newest.number} is what stands here.`
        : "Never published: the athlete’s paper and calendar come from a version."}
      {list.openCautions > 0 && ` ${plural(list.openCautions, "caution")} to look at; publishing is up to you.`}
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
    ["Calendar", "calendar.ics"],
    ["Table", "block.csv"],
    ["File", "block.json"],
  ] as const;
  return (
    <Box component="li" sx={{ py: 2, borderTop: 1, borderColor: "divider", fontSize: 13, lineHeight: "18px" }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap" }}>
        <Box sx={{ mr: "auto", minWidth: 0 }}>
          <b>{name}</b>, {about}
        </Box>
        <Link to={print} aria-label={`Print ${name}`}>
          Print
        </Link>
        {files.map(([label, file]) => (
          <a
            key={file}
            href={fileAddress(athleteId, blockId, file, version, file === "calendar.ics" ? time : "")}
            download
            aria-label={`${label} of ${name}`}
          >
            {label}
          </a>
        ))}
      </Box>
    </Box>
  );
}
