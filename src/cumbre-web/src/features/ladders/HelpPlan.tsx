import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useUnit } from "../../shared/account/useMe";
import type { Lab, MassUnit } from "../../shared/api/types";
import { mass } from "../../shared/ui/format";
import { inSentence } from "../../shared/ui/nameWords";
import { say } from "../../words/ladders";
import { places } from "./labWording";

type Plan = Lab["plans"][number];
type Hang = Plan["weeks"][number]["bands"][number];

/** Help for the next step, week by week less, and which measured band gives it, hung how. */
export function HelpPlan({ plans }: { plans: readonly Plan[] }) {
  const unit = useUnit();
  const [at, setAt] = useState<Plan["at"]>("Hips");
  const plan = plans.find((p) => p.at === at) ?? plans[0];
  if (!plan) return null;
  return (
    <Box component="section" aria-label={say("planHelp")} sx={{ mt: 4 }}>
      <Typography variant="h3">{say("planHelp")}</Typography>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", my: 2, flexWrap: "wrap" }}>
        <TextField
          select
          size="small"
          fullWidth={false}
          label={say("planAt")}
          value={plan.at}
          onChange={(e) => setAt(e.target.value as Plan["at"])}
          sx={{ width: 170 }}
        >
          {plans.map((p) => (
            <MenuItem key={p.at} value={p.at}>
              {places[p.at]}
            </MenuItem>
          ))}
        </TextField>
        <Typography variant="body2" color="textSecondary">
          {say("planFor", { step: inSentence(plan.step) })}
        </Typography>
      </Box>
      <Table size="small" aria-label={say("planHelp")} sx={{ maxWidth: 760 }}>
        <TableHead>
          <TableRow>
            <TableCell>{say("planWeek")}</TableCell>
            <TableCell align="right">{say("planKilograms")}</TableCell>
            <TableCell>{say("planBand")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {plan.weeks.map((w) => (
            <TableRow key={w.week}>
              <TableCell component="th" scope="row">
                {w.isEasy ? say("planEasy", { week: w.week }) : w.week}
              </TableCell>
              <TableCell align="right">{mass(w.kilograms, unit, 1)}</TableCell>
              <TableCell>{w.bands[0] ? hangText(w.bands[0], unit) : say("planNoBand")}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, maxWidth: 760 }}>
        {say("planLimits")}
      </Typography>
    </Box>
  );
}

function hangText(hang: Hang, unit: MassUnit) {
  const tenth = Math.round(hang.share * 10);
  const where = say("planHang", {
    stretch: hang.stretch,
    place: tenth === 0 ? "first" : tenth === 10 ? "second" : "between",
    percent: tenth * 10,
  });
  return say("planBandGives", {
    band: hang.name,
    where,
    low: mass(hang.low, unit, 1),
    high: mass(hang.high, unit, 1),
  });
}
