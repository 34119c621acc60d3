import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useUnit } from "../accounts/useMe";
import { api, ask } from "../api/client";
import type { BlockDto } from "../api/types";
import { added, dayWeek } from "../ui/format";
import * as doc from "./doc";
import type { BlockEditor } from "./useBlockEditor";

/** Somebody else wrote first: what differs, and both ways on. */
export function Conflict({ editor }: { editor: BlockEditor }) {
  const { theirs, block } = editor;
  if (!theirs) return null;
  const found = doc.differences(block, theirs.block);
  return (
    <Alert severity="warning" icon={false} sx={{ mt: 3 }}>
      <b>{theirs.writtenBy ?? "Somebody"} changed this block in another window or elsewhere meanwhile.</b>{" "}
      {found.length === 0 ? "The lines are the same." : "These lines differ:"}
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 4, fontSize: 13 }}>
        {found.slice(0, 8).map((d, i) => (
          <li key={i}>
            <b>{dayWeek(d.day)}</b>. Yours: {d.mine.join("; ") || "nothing"}. Stored: {d.theirs.join("; ") || "nothing"}
            .
          </li>
        ))}
        {found.length > 8 && <li>and {found.length - 8} sessions more</li>}
      </Box>
      <Box sx={{ display: "flex", gap: 2, mt: 2 }}>
        <Button size="small" onClick={editor.keepMine}>
          Keep mine
        </Button>
        <Button size="small" onClick={editor.takeTheirs}>
          Take the stored one
        </Button>
        <Typography variant="body2" sx={{ alignSelf: "center" }}>
          Undo goes back either way.
        </Typography>
      </Box>
    </Alert>
  );
}

/** What a new body mass or test changed in sessions that have not begun. */
export function Anew({ stored }: { stored: BlockDto }) {
  const unit = useUnit();
  const [closed, setClosed] = useState(false);
  if (stored.anew.length === 0 || closed) return null;
  const loads = (kilograms: number[]) => kilograms.map((k) => added(k, unit)).join(" / ");
  return (
    <Alert
      severity="info"
      icon={false}
      sx={{ mt: 3 }}
      action={
        <Button
          size="small"
          onClick={() => {
            setClosed(true);
            void ask(
              api.POST("/api/athletes/{athleteId}/blocks/{blockId}/seen", {
                params: { path: { athleteId: stored.athleteId, blockId: stored.id } },
              }),
            );
          }}
        >
          Seen
        </Button>
      }
    >
      <b>A new body mass, test or kit changed what lines come to:</b>
      <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 13, maxHeight: 160, overflow: "auto" }}>
        {stored.anew.map((a) => (
          <li key={a.item}>
            {dayWeek(a.day)}, {a.movement}: {loads(a.loadsKgBefore)} → {loads(a.loadsKg)}
            {a.holdSeconds !== a.holdSecondsBefore && `, ${a.holdSecondsBefore} s → ${a.holdSeconds} s`}
          </li>
        ))}
      </Box>
    </Alert>
  );
}
