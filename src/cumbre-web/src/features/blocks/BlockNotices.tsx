import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useUnit } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { BlockDto } from "../../shared/api/types";
import { added, dayWeek } from "../../shared/ui/format";
import { say } from "../../words/blocks";

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
          {say("seen")}
        </Button>
      }
    >
      <b>{say("aNewBodyMassTestOrKit")}</b>
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
