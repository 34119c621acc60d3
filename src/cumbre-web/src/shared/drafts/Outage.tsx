import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { useSignedIn } from "../account/useMe";
import { useReachable } from "../api/connection";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { moment } from "../ui/format";
import { dropKept, keptElsewhere } from "./draft";
import { say } from "../../words/drafts";

/** Over every page: nobody answers, or something on this device waits on another page. */
export function Outage() {
  const { account } = useSignedIn();
  const reachable = useReachable();
  const { pathname } = useLocation();
  const [leaving, setLeaving] = useState<string | null>(null);
  const waiting = keptElsewhere(account.id).filter((k) => k.path.split("?")[0] !== pathname);
  if (reachable && waiting.length === 0) return null;
  return (
    <Box
      sx={(t) => ({
        borderBottom: `1px solid ${t.vars.palette.line2}`,
        bgcolor: t.vars.palette.wash,
        px: { xs: 3, sm: 6 },
        py: 1.5,
        fontSize: 14,
      })}
    >
      {!reachable && (
        <Box role="alert">
          <b>{say("theServerCannotBeReached")}</b> {say("whatYouTypeIsKeptOnThis")}
        </Box>
      )}
      {reachable &&
        waiting.map((k) => (
          <Box key={k.key} sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
            <span>
              {say.rich("notStoredFrom", {
                title: k.title,
                at: moment(k.at),
                link: (title) => <Link to={k.path}>{title}</Link>,
              })}
            </span>
            <Button size="small" variant="text" onClick={() => setLeaving(k.key)} sx={{ minHeight: 20, py: 0 }}>
              {say("throwItAway")}
            </Button>
            {leaving === k.key && (
              <ConfirmDialog
                title={say("throwAwayWhatWasTypedIn", { title: k.title })}
                verb={say("throwItAway")}
                busy={false}
                onConfirm={() => {
                  dropKept(k.key);
                  setLeaving(null);
                }}
                onClose={() => setLeaving(null)}
              >
                {say("itIsOnThisDeviceOnlyAnd")}
              </ConfirmDialog>
            )}
          </Box>
        ))}
    </Box>
  );
}
