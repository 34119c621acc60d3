import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { LadderDraft } from "../../../shared/api/types";
import { ConfirmDialog } from "../../../shared/ui/ConfirmDialog";
import { messageOf } from "../../../shared/ui/states";
import { useRestoreLadder } from "./queries";
import { Versions } from "./Versions";
import { differenceText } from "./wording";
import { say } from "../../../words/ladders";

/** Who changed the ladder, when and why; any version can be brought back. */
export function DraftHistory({
  stored,
  disabled,
  onRestored,
}: {
  stored: LadderDraft;
  disabled: boolean;
  onRestored: () => void;
}) {
  const restore = useRestoreLadder(stored.entry.slug);
  const [asking, setAsking] = useState<{ to: number | null } | null>(null);
  if (stored.versions.length === 0) return null;
  const bringBack = (to: number | null) =>
    restore.mutate(
      {
        version: stored.version,
        to,
        reason: to === null ? say("backToTheShippedLadder") : say("backToVersion", { to }),
      },
      {
        onSuccess: () => {
          setAsking(null);
          onRestored();
        },
      },
    );
  return (
    <Versions
      versions={stored.versions.map((v, i) => ({
        ...v,
        changes: v.differences.map(differenceText),
        restorable: i > 0 && !v.shipped,
      }))}
      disabled={disabled}
      onRestore={(to) => setAsking({ to })}
    >
      {(stored.edited || stored.own) && !stored.retired && (
        <Button size="small" disabled={disabled} onClick={() => setAsking({ to: null })}>
          {stored.own ? say("retireThisLadder") : say("backToTheShippedLadder2")}
        </Button>
      )}
      {asking && (
        <ConfirmDialog
          title={
            asking.to === null
              ? stored.own
                ? say("retireThisLadder2")
                : say("backToTheShippedLadder3")
              : say("bringBackVersion2", { to: asking.to })
          }
          verb={asking.to === null && stored.own ? say("retire") : say("bringBack")}
          busy={restore.isPending}
          onConfirm={() => bringBack(asking.to)}
          onClose={() => setAsking(null)}
        >
          {say("itBecomesTheNewestVersionTheOthers")}
          {restore.error && (
            <Typography color="error" role="alert">
              {messageOf(restore.error)}
            </Typography>
          )}
        </ConfirmDialog>
      )}
    </Versions>
  );
}
