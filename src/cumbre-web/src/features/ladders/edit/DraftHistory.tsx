import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSignedIn } from "../../../shared/account/useMe";
import type { LadderDraft } from "../../../shared/api/types";
import { ConfirmDialog } from "../../../shared/ui/ConfirmDialog";
import { dayShort } from "../../../shared/ui/format";
import { messageOf } from "../../../shared/ui/states";
import { useRestoreLadder } from "./queries";
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
  const { today } = useSignedIn();
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
    <Box component="section" aria-label={say("versions")}>
      <Typography variant="h2">{say("versions")}</Typography>
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {stored.versions.map((v, i) => (
          <Box
            component="li"
            key={v.version}
            sx={(t) => ({ borderTop: `1px solid ${t.vars.palette.divider}`, py: 2, fontSize: 13 })}
          >
            <Box sx={{ display: "flex", gap: 2, alignItems: "baseline" }}>
              <b>{v.version}</b>
              <span>
                {dayShort(v.at.slice(0, 10), today)}, {v.by}
              </span>
              {i > 0 && !v.shipped && (
                <Button
                  size="small"
                  variant="text"
                  sx={{ ml: "auto" }}
                  disabled={disabled}
                  onClick={() => setAsking({ to: v.version })}
                  aria-label={say("bringBackVersion", { version: v.version })}
                >
                  {say("bringBack")}
                </Button>
              )}
            </Box>
            <div>{v.reason}</div>
            <Box component="details">
              <Box component="summary" sx={{ cursor: "pointer", color: "text.secondary" }}>
                {say("changesCount", { count: v.differences.length })}
              </Box>
              <Box component="ul" sx={{ m: 0, pl: 4 }}>
                {v.differences.map((d) => (
                  <li key={`${d.step}-${d.field}-${d.kind}`}>{differenceText(d)}</li>
                ))}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
      {(stored.edited || stored.own) && (
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
    </Box>
  );
}
