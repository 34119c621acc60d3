import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useLocation } from "react-router";
import { useSignedIn } from "../accounts/useMe";
import { useReachable } from "../api/connection";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { moment } from "../ui/format";
import { dropKept, keptElsewhere } from "./draft";

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
          <b>The server cannot be reached.</b> What you type is kept on this device and is sent when the server is back.
        </Box>
      )}
      {reachable &&
        waiting.map((k) => (
          <Box key={k.key} sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
            <span>
              Not stored yet: <Link to={k.path}>{k.title}</Link>, typed on {moment(k.at)}
            </span>
            <Button size="small" variant="text" onClick={() => setLeaving(k.key)} sx={{ minHeight: 20, py: 0 }}>
              Throw it away
            </Button>
            {leaving === k.key && (
              <ConfirmDialog
                title={`Throw away what was typed in ${k.title}?`}
                verb="Throw it away"
                busy={false}
                onConfirm={() => {
                  dropKept(k.key);
                  setLeaving(null);
                }}
                onClose={() => setLeaving(null)}
              >
                It is on this device only and cannot be brought back.
              </ConfirmDialog>
            )}
          </Box>
        ))}
    </Box>
  );
}
