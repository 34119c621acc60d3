import { expect, test } from "vitest";
import type { WeekFigure, WeekTable } from "../../shared/api/types";
import { figureText, stripsOf, weekTable } from "./strips";

const table = (figure: WeekFigure, columns: string[], ...rows: (number | null)[][]): WeekTable => ({
  figure,
  columns,
  rows: rows.map((values, i) => ({ monday: `2026-03-0${i + 2}`, values, isPartial: i === rows.length - 1 })),
});

test("rows of one kind share their scale, so that patterns can be compared", () => {
  const strips = stripsOf(table("HardSets", ["vertical pull", "trunk"], [12, 2], [8, 3]), "Kg");
  expect(strips.map((s) => [s.name, s.top])).toEqual([
    ["Vertical pull", 12],
    ["Trunk", 12],
  ]);
  expect(strips[1]!.values.map((v) => [v.value, v.partial])).toEqual([
    [2, false],
    [3, true],
  ]);
});

test("pain is drawn against the worst there can be, and what nobody knows is a gap", () => {
  const [strip] = stripsOf(table("Pain", ["left elbow"], [4], [null], [0]), "Kg");
  expect(strip!.top).toBe(10);
  expect(strip!.values.map((v) => v.value)).toEqual([4, null, 0]);
});

test("the plan is an outline behind what was done", () => {
  const strips = stripsOf(table("Sets", ["planned", "done"], [20, 12]), "Kg");
  expect(strips).toHaveLength(1);
  expect(strips[0]!.values[0]).toMatchObject({ value: 12, outline: 20 });
});

test("monotony and strain each have a scale, and none where nothing is known", () => {
  const columns = ["load", "smoothed", "monotony", "strain"];
  expect(stripsOf(table("SessionLoad", columns, [780, null, 0.56, 437]), "Kg").map((s) => s.name)).toEqual([
    "Load",
    "Monotony",
    "Strain",
  ]);
  expect(stripsOf(table("SessionLoad", columns, [780, 700, null, null]), "Kg").map((s) => s.name)).toEqual(["Load"]);
});

test.each<[WeekFigure, string, number, "Kg" | "Lb", string]>([
  ["Volume", "vertical pull", 1190, "Kg", "1,190 kg"],
  ["Volume", "vertical pull", 1190, "Lb", "2,624 lb"],
  ["StraightArm", "straight-arm pull", 22, "Kg", "22 s"],
  ["StraightArmMoment", "straight-arm pull", 4098, "Kg", "4,098 N m s"],
  ["Pain", "left elbow", 4, "Kg", "4 of 10"],
  ["SessionLoad", "monotony", 0.567, "Kg", "0.57"],
])("%s of %s says %d in %s as %s", (figure, column, value, unit, text) => {
  expect(figureText(figure, column, value, unit)).toBe(text);
});

test("the table begins with the newest week and says what is not known", () => {
  const { columns, rows } = weekTable(table("Pain", ["left elbow"], [4], [null]), "Kg");
  expect(columns).toEqual(["Week of", "Left elbow"]);
  expect(rows).toEqual([
    ["Tue, Mar 3, 2026, so far", null],
    ["Mon, Mar 2, 2026", "4 of 10"],
  ]);
});
