import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask } from "../api/client";
import type { BlockDto, OutsideChoice, OutsideSession } from "../api/types";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { dayWeek, plural } from "../ui/format";
import { messageOf } from "../ui/states";
import { blockQuery, useForgetBlocks } from "./queries";
import type { BlockEditor } from "./useBlockEditor";

/** Sessions in the weeks of a block that are not of it: taken into it, or replaced by it. */
export function PlannedOutside({
  stored,
  editor,
  onTaken,
}: {
  stored: BlockDto;
  editor: BlockEditor;
  onTaken: () => void;
}) {
  const queries = useQueryClient();
  const forget = useForgetBlocks();
  const [all, setAll] = useState(false);
  const [removing, setRemoving] = useState<OutsideSession | null>(null);
  const path = { athleteId: stored.athleteId, blockId: stored.id };
  const choose = useMutation({
    mutationFn: ({ session, choice }: { session: OutsideSession; choice: OutsideChoice }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/{blockId}/outside", {
          params: { path },
          body: { version: editor.version, session: session.id, sessionVersion: session.version, choice },
        }),
      ),
    onSuccess: async (block) => {
      queries.setQueryData(blockQuery(stored.athleteId, stored.id).queryKey, block);
      await forget();
      onTaken();
    },
  });
  if (stored.outside.length === 0) return null;
  const few = 3;
  const shown = all ? stored.outside : stored.outside.slice(0, few);
  // What is not saved yet would be lost with the block that comes back.
  const busy = choose.isPending || editor.state !== "saved";
  const onDay = (session: OutsideSession) =>
    editor.block.weeks.some((w) => w.sessions.some((s) => s.day === session.day && !s.fixed));
  return (
    <Alert severity="info" icon={false} sx={{ mt: 3 }} aria-label="Planned outside this block">
      <b>{plural(stored.outside.length, "session")} in these weeks stand outside this block.</b>
      <Box component="ul" sx={{ m: 0, mt: 1, p: 0, listStyle: "none", fontSize: 13 }}>
        {shown.map((s) => (
          <Box component="li" key={s.id} sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, alignItems: "center" }}>
            <Box sx={{ mr: "auto", py: 1 }}>
              <b>{dayWeek(s.day)}</b>
              {s.title && `, ${s.title}`}
              {s.ofBlock && `, of ${s.ofBlock}`}: {s.items.join("; ") || "empty"}
            </Box>
            <Button
              size="small"
              disabled={busy}
              onClick={() => choose.mutate({ session: s, choice: "TakeIn" })}
              aria-label={`Take in ${dayWeek(s.day)}`}
            >
              Take in
            </Button>
            {onDay(s) && (
              <Button
                size="small"
                disabled={busy}
                onClick={() => choose.mutate({ session: s, choice: "TakeInstead" })}
                aria-label={`Take in ${dayWeek(s.day)} instead of the block’s session`}
              >
                Take in instead
              </Button>
            )}
            <Button
              size="small"
              variant="text"
              disabled={busy}
              onClick={() => setRemoving(s)}
              aria-label={`Remove ${dayWeek(s.day)}`}
            >
              Remove
            </Button>
          </Box>
        ))}
      </Box>
      {stored.outside.length > few && (
        <Button size="small" variant="text" onClick={() => setAll(!all)}>
          {all ? "Show fewer" : `Show all ${stored.outside.length}`}
        </Button>
      )}
      {choose.isError && (
        <Box role="alert" sx={{ color: "error.main", mt: 1 }}>
          {messageOf(choose.error)}
        </Box>
      )}
      {removing && (
        <ConfirmDialog
          title={`Remove the session on ${dayWeek(removing.day)}?`}
          verb="Remove"
          busy={choose.isPending}
          onClose={() => setRemoving(null)}
          onConfirm={() =>
            choose.mutate({ session: removing, choice: "Remove" }, { onSettled: () => setRemoving(null) })
          }
        >
          {removing.items.join("; ") || "It is empty."} The block takes its place.
        </ConfirmDialog>
      )}
    </Alert>
  );
}
