import type { MassUnit, WeekFigure, WeekTable } from "../../shared/api/types";
import type { ChartTable } from "../../shared/charts/ChartPanel";
import type { Strip } from "../../shared/charts/Strips";
import { capital, dayFull, inUnit, number, unitName } from "../../shared/ui/format";
import { say } from "../../words/trends";

/** A figure of a table as people say it. */
export function figureText(figure: WeekFigure, column: string, value: number, unit: MassUnit) {
  if (figure === "Volume") return say("massOfWeek", { value: Math.round(inUnit(value, unit)), unit: unitName[unit] });
  if (figure === "StraightArm") return say("seconds", { value });
  if (figure === "StraightArmMoment") return say("momentSeconds", { value: number(value, 1) });
  if (figure === "Pain") return say("ofTen", { value });
  if (column === "monotony") return number(value);
  return number(value, 1);
}

const loadColumns = {
  load: say("columnLoad"),
  smoothed: say("columnSmoothed"),
  monotony: say("columnMonotony"),
  strain: say("columnStrain"),
  planned: say("columnPlanned"),
  done: say("columnDone"),
};

const columnName = (column: string) =>
  column in loadColumns ? loadColumns[column as keyof typeof loadColumns] : capital(column);

/** Patterns whose figures are of one kind share a scale, so that their rows can be compared. */
const sharesScale: Record<WeekFigure, boolean> = {
  HardSets: true,
  Volume: true,
  StraightArm: true,
  StraightArmMoment: true,
  Pain: true,
  Sets: false,
  SessionLoad: false,
};

/** The most that pain can be: its rows are drawn against it. */
const worstPain = 10;

/** The rows of bars of a table. */
export function stripsOf(table: WeekTable, unit: MassUnit): Strip[] {
  const { figure, columns, rows } = table;
  const of = (column: string) => columns.indexOf(column);
  const text = (column: string) => (value: number) => figureText(figure, column, value, unit);
  const bars = (column: string, more?: (i: number) => object): Strip => ({
    name: columnName(column),
    values: rows.map((r, i) => ({
      week: r.monday,
      value: r.values[of(column)] ?? null,
      partial: r.isPartial,
      ...more?.(i),
    })),
    say: text(column),
  });
  if (figure === "Sets")
    return [{ ...bars("done", (i) => ({ outline: rows[i]!.values[of("planned")] })), name: say("setsDone") }];
  if (figure === "SessionLoad")
    return [
      bars("load", (i) => ({ line: rows[i]!.values[of("smoothed")] })),
      ...["monotony", "strain"].filter((c) => rows.some((r) => r.values[of(c)] !== null)).map((c) => bars(c)),
    ];
  const top = figure === "Pain" ? worstPain : Math.max(0, ...rows.flatMap((r) => r.values.map((v) => v ?? 0)));
  return columns.map((c) => ({ ...bars(c), ...(sharesScale[figure] && { top }) }));
}

/** The same as a table, the newest week first. */
export const weekTable = ({ figure, columns, rows }: WeekTable, unit: MassUnit): ChartTable => ({
  columns: [say("weekOf"), ...columns.map(columnName)],
  rows: [...rows]
    .reverse()
    .map((r) => [
      r.isPartial ? say("partly", { day: dayFull(r.monday) }) : dayFull(r.monday),
      ...r.values.map((v, i) => (v === null ? null : figureText(figure, columns[i]!, v, unit))),
    ]),
});
