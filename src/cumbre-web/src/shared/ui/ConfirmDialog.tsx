import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { say } from "../../words/ui";

/** Asks before something is lost. */
export function ConfirmDialog({
  title,
  verb,
  busy,
  onConfirm,
  onClose,
  children,
}: {
  title: string;
  verb: string;
  busy: boolean;
  onConfirm: () => void;
  onClose: () => void;
  children: React.ReactNode;
}) {
  return (
    <Dialog open onClose={onClose} maxWidth="xs">
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>{children}</DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          {say("keep")}
        </Button>
        <Button onClick={onConfirm} disabled={busy} color="error">
          {verb}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
