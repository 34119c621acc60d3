import Box from "@mui/material/Box";
import { useUnit } from "../account/useMe";
import type { CautionNote } from "../api/types";
import { StatusShape } from "../ui/StatusShape";
import { cautionText } from "./wording";
import { say } from "../../words/why";

/** The band of cautions; nothing where there are none. */
export function Cautions({ notes, children }: { notes: CautionNote[]; children?: React.ReactNode }) {
  const unit = useUnit();
  if (notes.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label={say("cautions")}
      sx={(t) => ({
        bgcolor: t.vars.palette.cautionWash,
        px: 5,
        py: 2.5,
        borderTop: 1,
        borderColor: "divider",
        fontSize: 13,
        lineHeight: "17px",
        fontStretch: "94%",
      })}
    >
      {notes.map((note, i) => (
        <Box key={i} sx={{ display: "grid", gridTemplateColumns: "16px 1fr", gap: 2, "& + &": { mt: 1.5 } }}>
          <StatusShape status={note.id === "PatternStopped" ? "stop" : "caution"} />
          <span>{cautionText(note, unit)}</span>
        </Box>
      ))}
      {children}
    </Box>
  );
}
