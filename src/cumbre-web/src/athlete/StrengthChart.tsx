import Box from "@mui/material/Box";
import { ChartsContainer } from "@mui/x-charts/ChartsContainer";
import { ChartsXAxis } from "@mui/x-charts/ChartsXAxis";
import { ChartsYAxis } from "@mui/x-charts/ChartsYAxis";
import { ChartsGrid } from "@mui/x-charts/ChartsGrid";
import { LinePlot } from "@mui/x-charts/LineChart";
import { useXScale, useYScale } from "@mui/x-charts/hooks";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useUnit } from "../accounts/useMe";
import { visuallyHidden } from "../ui/hidden";
import type { MassUnit, StrengthPoint } from "../api/types";
import { added, dayShort, inUnit, mass, number, unitName } from "../ui/format";

/** The e1RM of the system over time, each with its range over the seven formulas; a table twin for readers and copying. */
export function StrengthChart({ series, today }: { series: StrengthPoint[]; today: string }) {
  const unit = useUnit();
  const low = Math.min(...series.map((p) => inUnit(p.lowKg, unit)));
  const high = Math.max(...series.map((p) => inUnit(p.highKg, unit)));
  const pad = Math.max(2, (high - low) * 0.2);
  return (
    <Box>
      <Box inert sx={{ height: 210 }}>
        <ChartsContainer
          height={210}
          margin={{ left: 4, right: 12, top: 12, bottom: 0 }}
          xAxis={[
            {
              scaleType: "time",
              data: series.map((p) => time(p.day)),
              min: time(firstDay(series, today)),
              max: time(today),
              valueFormatter: (d: Date) => dayShort(iso(d), today),
              height: 24,
              tickNumber: 5,
              disableLine: false,
            },
          ]}
          yAxis={[
            {
              min: Math.floor(low - pad),
              max: Math.ceil(high + pad),
              valueFormatter: (v: number) => number(v, 1),
              width: 36,
              tickNumber: 5,
              disableLine: true,
              disableTicks: true,
            },
          ]}
          series={[
            {
              type: "line",
              data: series.map((p) => inUnit(p.valueKg, unit)),
              curve: "linear",
              color: "var(--mui-palette-primary-main)",
              showMark: false,
            },
          ]}
          sx={{ "& text": { fontFamily: "inherit", fontSize: 12 } }}
        >
          <ChartsGrid horizontal />
          <LinePlot />
          <Ranges series={series} unit={unit} />
          <ChartsXAxis />
          <ChartsYAxis />
        </ChartsContainer>
      </Box>
      {/* A table is as wide as its cells whatever it is told; the box around it hides. */}
      <Box sx={visuallyHidden}>
        <Table aria-label={`One-rep maximum of the system in ${unitName[unit]}`}>
          <TableHead>
            <TableRow>
              {["Day", "Set", "One-rep maximum", "From", "To", "Source"].map((h) => (
                <TableCell key={h}>{h}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {series.map((p) => (
              <TableRow key={p.day}>
                <TableCell>{p.day}</TableCell>
                <TableCell>
                  {added(p.addedKg, unit)} x {p.reps}, {p.reserve} in reserve
                </TableCell>
                <TableCell>{mass(p.valueKg, unit)}</TableCell>
                <TableCell>{mass(p.lowKg, unit)}</TableCell>
                <TableCell>{mass(p.highKg, unit)}</TableCell>
                <TableCell>{p.source === "Test" ? "test" : "training set"}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}

/** A whisker over the seven formulas with the value on it: a filled square for a test, an open one for a training set. */
function Ranges({ series, unit }: { series: StrengthPoint[]; unit: MassUnit }) {
  const x = useXScale<"time">();
  const y = useYScale<"linear">();
  return (
    <g>
      {series.map((p) => {
        const at = x(time(p.day));
        const test = p.source === "Test";
        const size = test ? 9 : 7;
        return (
          <g key={p.day} stroke="var(--mui-palette-primary-main)" strokeWidth="1.5">
            <path d={`M${at} ${y(inUnit(p.lowKg, unit))}V${y(inUnit(p.highKg, unit))}`} />
            <rect
              x={at - size / 2}
              y={y(inUnit(p.valueKg, unit)) - size / 2}
              width={size}
              height={size}
              fill={test ? "var(--mui-palette-primary-main)" : "var(--mui-palette-background-default)"}
            />
          </g>
        );
      })}
    </g>
  );
}

/** At least eight weeks are shown, so that a single test does not fill the axis. */
function firstDay(series: StrengthPoint[], today: string) {
  const eightWeeks = new Date(time(today).getTime() - 56 * 86_400_000);
  const first = time(series[0]!.day);
  return iso(new Date(Math.min(first.getTime() - 3 * 86_400_000, eightWeeks.getTime())));
}

function time(day: string) {
  return new Date(`${day}T12:00:00`);
}

function iso(d: Date) {
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;
}
