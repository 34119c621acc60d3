import Box from "@mui/material/Box";
import Dialog from "@mui/material/Dialog";
import Typography from "@mui/material/Typography";
import { useId } from "react";
import { say } from "../../words/run";
import { Large } from "./Big";
import { useFrame } from "./frame";

/** What is asked over the whole screen, and closed again. */
export function Sheet({ title, onClose, children }: { title: string; onClose: () => void; children: React.ReactNode }) {
  const id = useId();
  const frame = useFrame();
  return (
    <Dialog
      open
      fullScreen
      onClose={onClose}
      container={frame}
      aria-labelledby={id}
      slotProps={{ paper: { sx: { bgcolor: "background.default", backgroundImage: "none" } } }}
    >
      <Box sx={{ width: "100%", maxWidth: 560, mx: "auto", p: 4, display: "grid", gap: 4, alignContent: "start" }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 3 }}>
          <Typography id={id} variant="h1" component="h2" sx={{ mr: "auto" }}>
            {title}
          </Typography>
          <Large height={48} onClick={onClose}>
            {say("close")}
          </Large>
        </Box>
        {children}
      </Box>
    </Dialog>
  );
}
