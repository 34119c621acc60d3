import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { KeyCap } from "../shared/ui/KeyCap";
import { useSingleKeys } from "../shared/ui/useSingleKeys";
import { say } from "../words/app";

const groups: [string, [string[], string][]][] = [
  [
    "Everywhere",
    [
      [[say("ctrlK")], say("jumpToAnAthleteOrAPlace2")],
      [["Esc"], say("closeWhatIsOpen")],
      [["?"], say("thisList")],
    ],
  ],
  [
    "Block",
    [
      [["Tab"], say("nextValueOfTheLine")],
      [["Enter"], say("nextLine")],
      [[say("ctrlSpace")], say("whatMayFollow")],
      [[say("ctrlG")], say("pairWithTheOneBefore")],
      [["Alt ↑", "Alt ↓"], say("moveTheLine")],
      [[say("altS")], say("anotherMovement")],
      [[say("altDel")], say("takeTheLineOut")],
      [["F2"], say("formBesideTheLine")],
      [[say("ctrlZ")], say("undoWithShiftRedo")],
    ],
  ],
  [
    "Decisions",
    [
      [["J", "K"], say("moveOnTheDeskAndOnAn")],
      [["A"], "accept"],
      [["E"], say("editThenAccept")],
      [["L"], "later"],
      [["O"], say("theOtherDecisionsOfTheAthlete")],
      [["W"], "why"],
      [["Z"], say("undoTheLastDecision")],
    ],
  ],
];

export default function KeyHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [on, set] = useSingleKeys();
  return (
    <Dialog open={open} onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{say("keys")}</DialogTitle>
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
          label={say("singleLetterKeys")}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("close")}</Button>
      </DialogActions>
    </Dialog>
  );
}
