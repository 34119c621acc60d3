import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Popover from "@mui/material/Popover";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { glossary, say, type TermId } from "../../words/glossary";

/** A word of the glossary that opens into what it means. */
export function Term({ id, children }: { id: TermId; children: React.ReactNode }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [name, text] = glossary[id];
  return (
    <>
      <ButtonBase
        onClick={(e) => {
          e.stopPropagation();
          setAnchor(e.currentTarget);
        }}
        aria-haspopup="dialog"
        aria-description={say("meaningOf", { term: name })}
        sx={{
          font: "inherit",
          fontStretch: "inherit",
          letterSpacing: "inherit",
          color: "inherit",
          verticalAlign: "baseline",
          textDecoration: "underline dotted 1px",
          textUnderlineOffset: "3px",
          cursor: "help",
        }}
      >
        {children}
      </ButtonBase>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
        slotProps={{ paper: { role: "dialog", "aria-label": name, sx: { p: 4, maxWidth: 340, mt: 1 } } }}
      >
        <Typography variant="h3">{name}</Typography>
        <Typography sx={{ my: 2 }}>{text}</Typography>
        <Box component={Link} to={`/glossary#${id}`} onClick={() => setAnchor(null)}>
          {say("allWords")}
        </Box>
      </Popover>
    </>
  );
}
