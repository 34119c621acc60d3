import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Outcome } from "../../shared/api/types";
import { changesTold, changeText, figure } from "../../shared/ladders/wording";
import { dayFull, dayShort, listed } from "../../shared/ui/format";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { outcomeQuery, sheetQuery } from "./queries";
import { changeSince } from "./wording";
import { say } from "../../words/testdays";
import { sideWord } from "../../shared/ui/nameWords";

/** What each result opened or closed, the sides compared, what is within the noise of the test. */
export default function OutcomePage() {
  const { id = "" } = useParams();
  const sheet = useQuery(sheetQuery(id));
  const outcome = useQuery(outcomeQuery(id));
  const failed = [sheet, outcome].find((q) => q.isError);
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  if (!sheet.data || !outcome.data)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4, flexWrap: "wrap", mb: 3 }}>
        <Typography variant="h1">{say("afterwards2", { name: sheet.data.name })}</Typography>
        <Typography variant="body2" color="textSecondary">
          {dayFull(sheet.data.day)}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 2 }}>
          <Button size="small" component={Link} to={`/test-days/${id}`}>
            {say("theSheet")}
          </Button>
          <Button size="small" component="a" href={`/api/test-days/${id}/sheet.csv`}>
            {say("csv")}
          </Button>
          <Button size="small" component={Link} to={`/test-days/${id}/print`}>
            {say("print")}
          </Button>
        </Box>
      </Box>
      {outcome.data.length === 0 && (
        <Empty title={say("nothingWasFilledInYet")} action={<Link to={`/test-days/${id}`}>{say("toTheSheet")}</Link>} />
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
  const { told, begun } = changesTold(o.changes);
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
      <Box component="ul" aria-label={say("whatItOpenedOrClosed")} sx={{ m: 0, p: 0, listStyle: "none" }}>
        {told.map((c) => (
          <Box component="li" key={c.ladder} sx={{ fontWeight: c.isGoal ? 600 : 400 }}>
            {changeText(c)}
          </Box>
        ))}
        {begun && (
          <Box component="li" sx={{ color: "text.secondary" }}>
            {begun}
          </Box>
        )}
        {o.changes.length === 0 && <li>{say("nothingOpenedOrClosed")}</li>}
      </Box>
      <Box component="ul" aria-label={say("results")} sx={{ m: 0, mt: 1, p: 0, listStyle: "none" }}>
        {o.rows.map((r) => (
          <li key={`${r.name}-${r.side}`}>
            {listed(r.name, r.side && sideWord[r.side])}:{" "}
            <Listed>
              <b>{figure(r.now, unit)}</b>
              {r.form === "Broken" && say("formBroke")}
            </Listed>
            <Box component="span" sx={{ color: "text.secondary" }}>
              ; {changeSince(r, (iso) => dayShort(iso, today))}
            </Box>
          </li>
        ))}
      </Box>
      {o.sides.map((s) => (
        <Box key={s.name} sx={{ mt: 1, display: "flex", gap: 1.5, alignItems: "center" }}>
          {s.advice !== "None" && <StatusShape status="caution" title="" />}
          {say("sides", {
            name: s.name,
            left: figure(s.left, unit),
            right: figure(s.right, unit),
            weaker: s.weaker ?? "None",
            percent: Math.round(s.fraction * 1000) / 10,
            advice: s.advice,
          })}
        </Box>
      ))}
    </Box>
  );
}
