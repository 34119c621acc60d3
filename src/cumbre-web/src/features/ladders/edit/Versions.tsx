import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useSignedIn } from "../../../shared/account/useMe";
import { dayShort } from "../../../shared/ui/format";
import { say } from "../../../words/ladders";

export interface Version {
  version: number;
  at: string;
  by: string;
  reason: string;
  /** What it changed, in words. */
  changes: string[];
  restorable: boolean;
}

/** Who changed it, when and why, newest first; an older version can be brought back. */
export function Versions({
  versions,
  disabled = false,
  onRestore,
  children,
}: {
  versions: Version[];
  disabled?: boolean;
  onRestore: (version: number) => void;
  children?: React.ReactNode;
}) {
  const { today } = useSignedIn();
  return (
    <Box component="section" aria-label={say("versions")}>
      <Typography variant="h2">{say("versions")}</Typography>
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {versions.map((v) => (
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
              {v.restorable && (
                <Button
                  size="small"
                  variant="text"
                  sx={{ ml: "auto" }}
                  disabled={disabled}
                  onClick={() => onRestore(v.version)}
                  aria-label={say("bringBackVersion", { version: v.version })}
                >
                  {say("bringBack")}
                </Button>
              )}
            </Box>
            <div>{v.reason}</div>
            {v.changes.length > 0 && (
              <Box component="details">
                <Box component="summary" sx={{ cursor: "pointer", color: "text.secondary" }}>
                  {say("changesCount", { count: v.changes.length })}
                </Box>
                <Box component="ul" sx={{ m: 0, pl: 4 }}>
                  {v.changes.map((change) => (
                    <li key={change}>{change}</li>
                  ))}
                </Box>
              </Box>
            )}
          </Box>
        ))}
      </Box>
      {children}
    </Box>
  );
}
