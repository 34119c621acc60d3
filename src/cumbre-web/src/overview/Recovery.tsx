import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { number } from "../ui/format";
import { QuietButton } from "../ui/QuietButton";

/** General advice on recovery, shown when it is asked for. */
export function Recovery({ proteinGrams }: { proteinGrams: number | null }) {
  const [open, setOpen] = useState(false);
  return (
    <Box component="section" aria-label="Recovery" sx={{ fontSize: 13 }}>
      <QuietButton aria-expanded={open} onClick={() => setOpen(!open)}>
        General advice on recovery
      </QuietButton>
      {open && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          Sleep 7 to 9 hours. Protein about 1.6 g for each kg of bodyweight and day
          {proteinGrams !== null && `, ${number(proteinGrams)} g here`}. At least one day without training between two
          hard ones for the same muscles. General advice, common practice in coaching; no medical or dietary plan.
        </Typography>
      )}
    </Box>
  );
}
