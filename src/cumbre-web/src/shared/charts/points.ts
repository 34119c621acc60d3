import type { MassUnit, Trend, TrendPoint } from "../api/types";
import { valueText } from "../athletes/trendText";
import { dayFull, listed } from "../ui/format";
import { sideWord } from "../ui/nameWords";
import { say as word } from "../../words/common";
import { say } from "../../words/charts";
import type { ChartTable } from "./ChartPanel";

const kindOf = (p: TrendPoint) =>
  listed(
    p.isTest ? word("test") : word("inTraining"),
    p.isEasy && say("easyDay"),
    p.isBound && say("atLeast"),
    !p.isCompared && say("otherSetUp"),
  );

/** The points of a trend as a table, the newest first where it is read from the top. */
export function pointTable(trend: Trend, unit: MassUnit): ChartTable {
  const sided = trend.points.some((p) => p.side !== null);
  const ranged = trend.points.some((p) => p.low !== null);
  const text = (value: number | null) => (value === null ? null : valueText(trend.measure, value, unit));
  return {
    columns: [
      say("pointDay"),
      ...(sided ? [say("pointSide")] : []),
      say("pointCounts"),
      say("pointBest"),
      ...(ranged ? [say("pointFrom"), say("pointTo")] : []),
      say("pointKind"),
    ],
    rows: [...trend.points]
      .reverse()
      .map((p) => [
        dayFull(p.day),
        ...(sided ? [p.side ? sideWord[p.side] : say("both")] : []),
        text(p.counts),
        text(p.best),
        ...(ranged ? [text(p.low), text(p.high)] : []),
        kindOf(p),
      ]),
  };
}
