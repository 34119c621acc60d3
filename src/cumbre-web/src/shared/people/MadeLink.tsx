import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { QRCodeSVG } from "qrcode.react";
import { useState } from "react";
import type { MadeLink } from "../api/types";
import { moment } from "../ui/format";
import { say } from "../../words/people";

const quietZone = 4;

/** A link that was just made: it is told once, as text and as a code to scan. */
export function MadeLinkDialog({ name, link, onClose }: { name: string; link: MadeLink; onClose: () => void }) {
  const address = window.location.origin + link.path;
  const [copied, setCopied] = useState(false);
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{say("linkFor", { name })}</DialogTitle>
      <DialogContent>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 4 }}>
          {say("linkShownOnce", { ends: moment(link.endsAt) })}
        </Typography>
        <TextField
          fullWidth
          multiline
          value={address}
          onFocus={(e) => e.target.select()}
          slotProps={{ htmlInput: { readOnly: true, "aria-label": say("linkFor", { name }) } }}
        />
        {/* Black on white in both themes: cameras read nothing else well. */}
        <Box sx={{ mt: 4, p: 2, bgcolor: "#fff", width: "fit-content" }}>
          <QRCodeSVG value={address} size={200} marginSize={quietZone} title={say("qrCode")} />
        </Box>
      </DialogContent>
      <DialogActions>
        {copied && (
          <Typography role="status" variant="body2">
            {say("copied")}
          </Typography>
        )}
        <Button onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}>
          {say("copyLink")}
        </Button>
        <Button onClick={onClose} autoFocus>
          {say("close")}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
