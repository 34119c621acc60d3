import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { capsOf, type KeyScope, keymap, scopes } from "../shared/keys/keymap";
import { useSingleKeys } from "../shared/keys/useSingleKeys";
import { KeyCap } from "../shared/ui/KeyCap";
import { say } from "../words/app";

/** Every key of the app, from the map that binds them. */
export default function KeyHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [on, set] = useSingleKeys();
  return (
    <Dialog open={open} onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{say("keys")}</DialogTitle>
      <DialogContent>
        {(Object.entries(scopes) as [KeyScope, string][]).map(([scope, title]) => (
          <Box key={scope} sx={{ mb: 4 }}>
            <Box component="h3" sx={{ m: 0, mb: 1, fontSize: 13 }}>
              {title}
            </Box>
            {Object.values(keymap)
              .filter((entry) => entry.scope === scope)
              .map((entry) => (
                <Box key={entry.keys} sx={{ display: "flex", gap: 3, py: 0.75 }}>
                  <Box sx={{ minWidth: 120, flex: "none", display: "flex", gap: 1 }}>
                    {capsOf(entry).map((cap) => (
                      <KeyCap key={cap}>{cap}</KeyCap>
                    ))}
                  </Box>
                  {entry.what}
                </Box>
              ))}
          </Box>
        ))}
        <FormControlLabel
          control={<Switch checked={on} onChange={(_, next) => set(next)} />}
          label={say("singleLetterKeys")}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
      </DialogActions>
    </Dialog>
  );
}
