import { expect, it } from "vitest";
import type { AuditKind } from "../../shared/api/types";
import { groups, kindsOf } from "./kinds";

type Ungrouped = Exclude<AuditKind, (typeof groups)[number]["kinds"][number]>;

it("asks for every kind of entry in one group", () => {
  // A kind that stands in no group does not compile.
  const all: Ungrouped extends never ? true : Ungrouped = true;
  expect(all).toBe(true);
  const kinds = groups.flatMap((g) => [...g.kinds]);
  expect(new Set(kinds).size).toBe(kinds.length);
});

it("asks for the kinds of a group, and for all without one", () => {
  expect(kindsOf("files")).toBe("Exported,Imported,ImportUndone,BlockSent");
  expect(kindsOf("")).toBeUndefined();
});
