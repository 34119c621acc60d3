import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { number } from "../../shared/ui/format";
import { QuietButton } from "../../shared/ui/QuietButton";
import { say } from "../../words/overview";

/** General advice on recovery, shown when it is asked for. */
export function Recovery({ proteinGrams }: { proteinGrams: number | null }) {
  const [open, setOpen] = useState(false);
  return (
    <Box component="section" aria-label={say("recovery")} sx={{ fontSize: 13 }}>
      <QuietButton aria-expanded={open} onClick={() => setOpen(!open)}>
        {say("generalAdviceOnRecovery")}
      </QuietButton>
      {open && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {say("sleep7To9Hours")}{" "}
          {proteinGrams === null ? say("proteinAbout") : say("proteinHere", { proteinGrams: number(proteinGrams) })}{" "}
          {say("atLeastOneDayWithoutTrainingBetween")}
        </Typography>
      )}
    </Box>
  );
}
