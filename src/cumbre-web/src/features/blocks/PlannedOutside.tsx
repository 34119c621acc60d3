import { Listed } from "../../shared/ui/Listed";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask } from "../../shared/api/client";
import type { BlockDto, OutsideChoice, OutsideSession } from "../../shared/api/types";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { dayWeek } from "../../shared/ui/format";
import { messageOf } from "../../shared/ui/states";
import { blockQuery, useForgetBlocks } from "../../shared/blocks/queries";
import type { BlockEditor } from "./useBlockEditor";
import { say } from "../../words/blocks";

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
    <Alert severity="info" icon={false} sx={{ mt: 3 }} aria-label={say("plannedOutsideThisBlock")}>
      <b>{say("text7", { outside: stored.outside.length })}</b>
      <Box component="ul" sx={{ m: 0, mt: 1, p: 0, listStyle: "none", fontSize: 13 }}>
        {shown.map((s) => (
          <Box component="li" key={s.id} sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, alignItems: "center" }}>
            <Box sx={{ mr: "auto", py: 1 }}>
              <Listed>
                <b>{dayWeek(s.day)}</b>
                {s.title}
                {s.ofBlock && say("ofBlock", { block: s.ofBlock })}
              </Listed>
              : {s.items.join("; ") || say("emptySession")}
            </Box>
            <Button
              size="small"
              disabled={busy}
              onClick={() => choose.mutate({ session: s, choice: "TakeIn" })}
              aria-label={say("takeIn", { day: dayWeek(s.day) })}
            >
              {say("takeIn2")}
            </Button>
            {onDay(s) && (
              <Button
                size="small"
                disabled={busy}
                onClick={() => choose.mutate({ session: s, choice: "TakeInstead" })}
                aria-label={say("takeInInsteadOfTheBlocksSession", { day: dayWeek(s.day) })}
              >
                {say("takeInInstead")}
              </Button>
            )}
            <Button
              size="small"
              variant="text"
              disabled={busy}
              onClick={() => setRemoving(s)}
              aria-label={say("remove4", { day: dayWeek(s.day) })}
            >
              {say("remove2")}
            </Button>
          </Box>
        ))}
      </Box>
      {stored.outside.length > few && (
        <Button size="small" variant="text" onClick={() => setAll(!all)}>
          {all ? say("showFewer") : say("showAll", { outside: stored.outside.length })}
        </Button>
      )}
      {choose.isError && (
        <Box role="alert" sx={{ color: "error.main", mt: 1 }}>
          {messageOf(choose.error)}
        </Box>
      )}
      {removing && (
        <ConfirmDialog
          title={say("removeTheSessionOn", { day: dayWeek(removing.day) })}
          verb={say("remove2")}
          busy={choose.isPending}
          onClose={() => setRemoving(null)}
          onConfirm={() =>
            choose.mutate({ session: removing, choice: "Remove" }, { onSettled: () => setRemoving(null) })
          }
        >
          {say("theBlockTakesItsPlace", { items: removing.items.join("; ") || say("itIsEmpty") })}
        </ConfirmDialog>
      )}
    </Alert>
  );
}
