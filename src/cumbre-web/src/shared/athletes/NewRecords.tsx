import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../account/useMe";
import { api, ask } from "../api/client";
import type { NewRecord } from "../api/types";
import { dayShort, listed } from "../ui/format";
import { sideWord } from "../ui/nameWords";
import { say } from "../../words/athletes";
import { valueText } from "./trendText";

const newRecordsQuery = (athleteId: string | null) =>
  queryOptions({
    queryKey: ["new-records", athleteId],
    queryFn: ({ signal }) =>
      athleteId === null
        ? ask(api.GET("/api/records", { signal }))
        : ask(api.GET("/api/athletes/{athleteId}/records/new", { params: { path: { athleteId } }, signal })),
  });

/** Bests that nobody on this side has been told of yet; read once, they are gone. Nothing while there are none. */
export function NewRecords({ athleteId, large = false }: { athleteId: string | null; large?: boolean }) {
  const query = newRecordsQuery(athleteId);
  const records = useQuery(query).data ?? [];
  const queries = useQueryClient();
  const tell = useMutation({
    mutationFn: async () => {
      const body = { sessions: [...new Set(records.map((r) => r.sessionId))] };
      await (athleteId === null
        ? ask(api.PUT("/api/records/told", { body }))
        : ask(api.PUT("/api/athletes/{athleteId}/records/told", { params: { path: { athleteId } }, body })));
    },
    onSuccess: () => queries.setQueryData(query.queryKey, []),
  });
  if (records.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label={say("newBests")}
      sx={(t) => ({ bgcolor: "background.paper", border: `1px solid ${t.vars.palette.rock}`, px: 4, py: 3 })}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3, flexWrap: "wrap" }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          {say("newBests")}
        </Typography>
        <Button size={large ? "large" : "small"} disabled={tell.isPending} onClick={() => tell.mutate()}>
          {say("newBestsRead")}
        </Button>
      </Box>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, pt: 1, fontSize: large ? 16 : 13 }}>
        {records.map((r) => (
          <Row key={`${r.sessionId} ${r.movement} ${r.setUp} ${r.style} ${r.side}`} record={r} withName={!athleteId} />
        ))}
      </Box>
    </Box>
  );
}

function Row({ record: r, withName }: { record: NewRecord; withName: boolean }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const how = listed(r.side && sideWord[r.side], r.style, r.setUp);
  return (
    <Box component="li" sx={{ py: 1 }}>
      <Link to={`/athletes/${r.athleteId}/movement?movement=${r.movement}`} style={{ color: "inherit" }}>
        {withName ? say("bestOf", { athlete: r.athleteName, movement: r.name }) : r.name}
      </Link>
      {how && ` (${how})`}: <b>{valueText(r.measure, r.value, unit)}</b>,{" "}
      {say("bestBefore", {
        day: dayShort(r.day, today),
        before: valueText(r.measure, r.before, unit),
        beforeDay: dayShort(r.beforeDay, today),
      })}
    </Box>
  );
}
