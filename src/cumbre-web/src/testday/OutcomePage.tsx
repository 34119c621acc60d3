import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { Outcome } from "../api/types";
import { changeText, figure } from "../ladders/wording";
import { dayFull, dayShort } from "../ui/format";
import { Empty, Failed, Loading } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { outcomeQuery, sheetQuery } from "./queries";
import { changeSince } from "./wording";

/** What each result opened or closed, the sides compared, what is within the noise of the test. */
export default function OutcomePage() {
  const { id = "" } = useParams();
  const sheet = useQuery(sheetQuery(id));
  const outcome = useQuery(outcomeQuery(id));
  const failed = [sheet, outcome].find((q) => q.isError);
  if (failed)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={failed.error} retry={() => void failed.refetch()} />
      </Box>
    );
  if (!sheet.data || !outcome.data)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4, flexWrap: "wrap", mb: 3 }}>
        <Typography variant="h1">{sheet.data.name}, afterwards</Typography>
        <Typography variant="body2" color="textSecondary">
          {dayFull(sheet.data.day)}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 2 }}>
          <Button size="small" component={Link} to={`/test-days/${id}`}>
            The sheet
          </Button>
          <Button size="small" component="a" href={`/api/test-days/${id}/sheet.csv`}>
            CSV
          </Button>
          <Button size="small" component={Link} to={`/test-days/${id}/print`}>
            Print
          </Button>
        </Box>
      </Box>
      {outcome.data.length === 0 && (
        <Empty title="Nothing was filled in yet." action={<Link to={`/test-days/${id}`}>To the sheet</Link>} />
      )}
      {outcome.data.map((o) => (
        <Athlete key={o.athleteId} outcome={o} />
      ))}
    </Box>
  );
}

function Athlete({ outcome: o }: { outcome: Outcome }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  return (
    <Box
      component="section"
      aria-label={o.name}
      sx={(t) => ({ borderTop: `1px solid ${t.vars.palette.divider}`, py: 3, fontSize: 14, lineHeight: "21px" })}
    >
      <Typography variant="h2">
        <Box component={Link} to={`/athletes/${o.athleteId}/ladders`} sx={{ color: "inherit" }}>
          {o.name}
        </Box>
      </Typography>
      <Box component="ul" aria-label="What it opened or closed" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {o.changes.map((c) => (
          <Box component="li" key={c.ladder} sx={{ fontWeight: 600 }}>
            {changeText(c)}
          </Box>
        ))}
        {o.changes.length === 0 && <li>Nothing opened or closed.</li>}
      </Box>
      <Box component="ul" aria-label="Results" sx={{ m: 0, mt: 1, p: 0, listStyle: "none" }}>
        {o.rows.map((r) => (
          <li key={`${r.name}-${r.side}`}>
            {r.name}
            {r.side && `, ${r.side.toLowerCase()}`}: <b>{figure(r.now, unit)}</b>
            {r.form === "Broken" && ", form broke"}
            <Box component="span" sx={{ color: "text.secondary" }}>
              ; {changeSince(r, (iso) => dayShort(iso, today))}
            </Box>
          </li>
        ))}
      </Box>
      {o.sides.map((s) => (
        <Box key={s.name} sx={{ mt: 1, display: "flex", gap: 1.5, alignItems: "center" }}>
          {s.advice !== "None" && <StatusShape status="caution" title="" />}
          {s.name}: left {figure(s.left, unit)}, right {figure(s.right, unit)}
          {s.weaker
            ? `; the ${s.weaker.toLowerCase()} is ${Math.round(s.fraction * 1000) / 10} % weaker`
            : "; both sides alike"}
          {s.advice === "WeakerFirst" && ": it goes first, both sides do its number, and it does one set more"}
          {s.advice === "Note" && ": keep an eye on it"}.
        </Box>
      ))}
    </Box>
  );
}
