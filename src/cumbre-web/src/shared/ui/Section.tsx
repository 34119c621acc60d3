import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { TermId } from "../../words/glossary";
import { Term } from "./Term";

interface Props {
  title: string;
  /** What its title means in the glossary. */
  term?: TermId;
  note?: string;
  action?: React.ReactNode;
  /** On paper of its own, for something to work in. */
  bare?: boolean;
  children: React.ReactNode;
}

/** A part of a page under its heading. */
export function Section({ title, term, note, action, bare = false, children }: Props) {
  return (
    <Box component="section" aria-label={title} sx={{ px: { xs: 4, sm: 6 }, pt: 5, minWidth: 0 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", columnGap: 3, flexWrap: "wrap", pb: 2, minHeight: 28 }}>
        <Typography variant="h2">{term ? <Term id={term}>{title}</Term> : title}</Typography>
        {note && (
          <Typography variant="body2" color="textSecondary">
            {note}
          </Typography>
        )}
        {action && <Box sx={{ ml: "auto" }}>{action}</Box>}
      </Box>
      {bare ? (
        <Box sx={(t) => ({ bgcolor: "background.paper", border: `1px solid ${t.vars.palette.rock}` })}>{children}</Box>
      ) : (
        children
      )}
    </Box>
  );
}
