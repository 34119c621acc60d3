import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import { glossary, say, type TermId } from "../../words/glossary";

const entries = (Object.entries(glossary) as [TermId, readonly [string, string]][]).sort(([, [a]], [, [b]]) =>
  a.localeCompare(b),
);

/** Every word that opens into its meaning, in one list. */
export default function GlossaryPage() {
  const { hash } = useLocation();
  const [typed, setTyped] = useState("");
  useEffect(() => document.getElementById(hash.slice(1))?.scrollIntoView({ block: "center" }), [hash]);
  const wanted = typed.trim().toLowerCase();
  const shown = entries.filter(([, [term, text]]) => `${term} ${text}`.toLowerCase().includes(wanted));
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 820 }}>
      <Typography variant="h1">{say("title")}</Typography>
      <Typography color="textSecondary" sx={{ mt: 1, mb: 4 }}>
        {say("about")}
      </Typography>
      <TextField
        label={say("search")}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        sx={{ maxWidth: 300 }}
      />
      {shown.length === 0 && <Typography sx={{ mt: 4 }}>{say("nothing")}</Typography>}
      <Box component="dl" sx={{ mt: 4 }}>
        {shown.map(([id, [term, text]]) => (
          <Box
            key={id}
            id={id}
            sx={(t) => ({
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0,1fr)", sm: "200px minmax(0,1fr)" },
              gap: { xs: 1, sm: 4 },
              py: 2.5,
              px: 2,
              borderTop: `1px solid ${t.vars.palette.divider}`,
              bgcolor: hash === `#${id}` ? "background.paper" : "transparent",
            })}
          >
            <Box component="dt" sx={{ fontWeight: 600 }}>
              {term}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {text}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
