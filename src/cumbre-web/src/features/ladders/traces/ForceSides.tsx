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
import type { ForceSides as Sides } from "../../../shared/api/types";
import { number } from "../../../shared/ui/format";
import { say } from "../../../words/traces";
import { fieldMessage } from "./fieldMessage";
import { TraceChart } from "./TraceChart";
import { TraceSource } from "./TraceSource";
import { useTraceText } from "./useTraceText";

/** Pulls of one arm and the other against a force gauge. */
export default function ForceSides({ athleteId }: { athleteId: string }) {
  const left = useTraceText(athleteId, "Force");
  const right = useTraceText(athleteId, "Force");
  const sides = useQuery({
    queryKey: ["trace", athleteId, "force", left.text, right.text],
    queryFn: async ({ signal }) =>
      (await ask(
        api.POST("/api/athletes/{athleteId}/traces/force", {
          params: { path: { athleteId } },
          body: { left: left.text, right: right.text },
          signal,
        }),
      )) as Sides,
    enabled: left.text !== "" || right.text !== "",
    placeholderData: (before) => before,
    gcTime: 0,
    retry: false,
  });
  return (
    <Box component="section" aria-label={say("forceGauge")} sx={{ py: 3, maxWidth: 980 }}>
      <Typography variant="h2">{say("forceGauge")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 2, maxWidth: 760 }}>
        {say("forceGaugeHelp")}
      </Typography>
      <Box sx={{ display: "grid", gap: 2 }}>
        <TraceSource trace={left} name="force-left" label={say("left")} />
        {/* The other arm of the stand-in is another one. */}
        <TraceSource
          trace={{ ...right, record: () => right.record(Math.floor(performance.now()) % 1000) }}
          name="force-right"
          label={say("right")}
        />
      </Box>
      {sides.isError && (
        <Alert severity="warning" sx={{ mt: 2 }}>
          {fieldMessage(sides.error)}
        </Alert>
      )}
      {sides.data && (left.text !== "" || right.text !== "") && <Forces sides={sides.data} />}
    </Box>
  );
}

function Forces({ sides }: { sides: Sides }) {
  const { gap } = sides;
  const rows = [
    { name: say("left"), force: sides.left },
    { name: say("right"), force: sides.right },
  ];
  return (
    <>
      <Typography aria-live="polite" sx={{ mt: 3, mb: 2, fontWeight: 650 }}>
        {gap === null
          ? say("oneSide")
          : gap.isSure
            ? say("gapSure", { gap: number(100 * gap.gap, 1), side: gap.rightIsStronger ? "right" : "left" })
            : say("gapUnsure", { gap: number(100 * gap.gap, 1) })}
      </Typography>
      <TraceChart
        lines={[sides.leftPoints, sides.rightPoints].filter((line) => line.length > 0)}
        label={say("chartForces")}
        unit={say("newtonsOverTime")}
      />
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("forces")}>
        <Table size="small" aria-label={say("forces")} sx={{ mt: 2, minWidth: 640 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("side")}</TableCell>
              <TableCell align="right">{say("heldForce")}</TableCell>
              <TableCell align="right">{say("peakForce")}</TableCell>
              <TableCell align="right">{say("rate")}</TableCell>
              <TableCell align="right">{say("early")}</TableCell>
              <TableCell align="right">{say("wavers")}</TableCell>
              <TableCell align="right">{say("noise")}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map(
              ({ name, force }) =>
                force && (
                  <TableRow key={name}>
                    <TableCell component="th" scope="row">
                      {name}
                    </TableCell>
                    <TableCell align="right">{number(Math.round(force.held))} N</TableCell>
                    <TableCell align="right">{number(Math.round(force.peak))} N</TableCell>
                    <TableCell align="right">{number(Math.round(force.rate))} N/s</TableCell>
                    <TableCell align="right">
                      {force.early === null ? "" : `${number(Math.round(force.early))} N`}
                    </TableCell>
                    <TableCell align="right">{number(100 * force.steadiness, 1)} %</TableCell>
                    <TableCell align="right">{number(force.noise, 1)} N</TableCell>
                  </TableRow>
                ),
            )}
          </TableBody>
        </Table>
      </Box>
    </>
  );
}
