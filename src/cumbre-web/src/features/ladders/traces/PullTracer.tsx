import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";
import type { PullTrace } from "../../../shared/api/types";
import { number } from "../../../shared/ui/format";
import { StatusShape } from "../../../shared/ui/StatusShape";
import { say } from "../../../words/traces";
import { fieldMessage } from "./fieldMessage";
import { TraceChart } from "./TraceChart";
import { TraceSource } from "./TraceSource";
import { useTraceText } from "./useTraceText";

const contactWord: Record<NonNullable<PullTrace["set"]["pulls"][number]["contact"]>, string> = {
  Chin: say("chin"),
  Collarbone: say("collarbone"),
  Chest: say("chest"),
  Belly: say("belly"),
  Hip: say("hip"),
};

/** A set of explosive pulls as the height of the shoulders over time. */
export default function PullTracer({ athleteId }: { athleteId: string }) {
  const trace = useTraceText(athleteId, "Pull");
  const set = useQuery({
    queryKey: ["trace", athleteId, "pull", trace.text],
    queryFn: async ({ signal }) =>
      (await ask(
        api.POST("/api/athletes/{athleteId}/traces/pull", {
          params: { path: { athleteId } },
          body: { text: trace.text },
          signal,
        }),
      )) as PullTrace,
    enabled: trace.text !== "",
    gcTime: 0,
    retry: false,
  });
  return (
    <Box component="section" aria-label={say("pullTracer")} sx={{ py: 3, maxWidth: 980 }}>
      <Typography variant="h2">{say("pullTracer")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 2, maxWidth: 760 }}>
        {say("pullTracerHelp")}
      </Typography>
      <TraceSource trace={trace} name="pulls" />
      {set.isError && (
        <Alert severity="warning" sx={{ mt: 2 }}>
          {fieldMessage(set.error)}
        </Alert>
      )}
      {set.data && <Pulls trace={set.data} />}
    </Box>
  );
}

function Pulls({ trace: { set, points } }: { trace: PullTrace }) {
  if (set.pulls.length === 0) return <Typography sx={{ mt: 2 }}>{say("noPulls")}</Typography>;
  return (
    <>
      <Typography
        aria-live="polite"
        sx={{ mt: 3, mb: 2, fontWeight: 650, display: "flex", gap: 1.5, alignItems: "center" }}
      >
        <StatusShape status={set.advice === "Go" ? "won" : "caution"} title="" />
        {set.stopAfter !== null
          ? say("stopAfter", { pull: set.stopAfter })
          : set.advice === "MayStop"
            ? say("mayStop")
            : say("goOn")}
      </Typography>
      <TraceChart
        lines={[points]}
        marks={set.pulls.map((p) => p.at)}
        label={say("chartPulls", { count: set.pulls.length })}
        unit={say("metresOverTime")}
      />
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("pulls")}>
        <Table size="small" aria-label={say("pulls")} sx={{ mt: 2, minWidth: 640 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("pull")}</TableCell>
              <TableCell align="right">{say("rise")}</TableCell>
              <TableCell>{say("contact")}</TableCell>
              <TableCell align="right">{say("peak")}</TableCell>
              <TableCell align="right">{say("release")}</TableCell>
              <TableCell align="right">{say("byRise")}</TableCell>
              <TableCell align="right">{say("loss")}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {set.pulls.map((p, i) => (
              <TableRow key={p.at}>
                <TableCell component="th" scope="row">
                  {i + 1}
                </TableCell>
                <TableCell align="right">{say("centimetres", { cm: Math.round(100 * p.rise) })}</TableCell>
                <TableCell>{p.contact === null ? say("noContact") : contactWord[p.contact]}</TableCell>
                <TableCell align="right">{number(p.peakSpeed)} m/s</TableCell>
                <TableCell align="right">
                  {p.releaseSpeed === null ? say("pulledOn") : `${number(p.releaseSpeed)} m/s`}
                </TableCell>
                <TableCell align="right">
                  {p.fallSpeed === null || p.riseAfter === null
                    ? ""
                    : say("speedOfRise", { speed: number(p.fallSpeed), cm: Math.round(100 * p.riseAfter) })}
                </TableCell>
                <TableCell align="right">{Math.round(100 * p.loss)} %</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 760 }}>
        {say("pullLimits")}
      </Typography>
    </>
  );
}
