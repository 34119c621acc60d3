import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { KeyCap } from "./KeyCap";
import { useSingleKeys } from "./useSingleKeys";

const groups: [string, [string[], string][]][] = [
  [
    "Everywhere",
    [
      [["Ctrl K"], "jump to an athlete or a place"],
      [["Esc"], "close what is open"],
      [["?"], "this list"],
    ],
  ],
  [
    "Block",
    [
      [["Tab"], "next value of the line"],
      [["Enter"], "next line"],
      [["Ctrl Space"], "what may follow"],
      [["Ctrl G"], "pair with the one before"],
      [["Alt ↑", "Alt ↓"], "move the line"],
      [["Alt S"], "another movement"],
      [["Alt Del"], "take the line out"],
      [["F2"], "form beside the line"],
      [["Ctrl Z"], "undo; with Shift redo"],
    ],
  ],
  [
    "Decisions",
    [
      [["J", "K"], "move, on the Desk and on an athlete’s page"],
      [["A"], "accept"],
      [["E"], "edit, then accept"],
      [["L"], "later"],
      [["O"], "the other decisions of the athlete"],
      [["W"], "why"],
      [["Z"], "undo the last decision"],
    ],
  ],
];

export default function KeyHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [on, set] = useSingleKeys();
  return (
    <Dialog open={open} onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        {groups.map(([title, keys]) => (
          <Box key={title} sx={{ mb: 4 }}>
            <Box component="h3" sx={{ m: 0, mb: 1, fontSize: 13 }}>
              {title}
            </Box>
            {keys.map(([caps, what]) => (
              <Box key={what} sx={{ display: "flex", gap: 3, py: 0.75 }}>
                <Box sx={{ minWidth: 96, flex: "none", display: "flex", gap: 1 }}>
                  {caps.map((c) => (
                    <KeyCap key={c}>{c}</KeyCap>
                  ))}
                </Box>
                {what}
              </Box>
            ))}
          </Box>
        ))}
        <FormControlLabel
          control={<Switch checked={on} onChange={(_, next) => set(next)} />}
          label="Single-letter keys"
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
