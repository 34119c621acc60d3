import type { SetUpField } from "../api/types";
import { say } from "../../words/session";

/** A set-up as a line: strap mark 6, ring material wood, box height 45 cm. */
export const setUpText = (setUp: Record<string, string>, fields: SetUpField[]) =>
  Object.entries(setUp)
    .map(([part, value]) =>
      fields.some((f) => f.name === part && f.measure === "Centimetres")
        ? say("centimetres", { part, value })
        : `${part} ${value}`,
    )
    .join(", ");

const point = (value: string) => (/^\s*\d+,\d+\s*$/.test(value) ? value.replace(",", ".") : value).trim();

/** What was typed, without what was left empty; a comma stands for a point. */
export const toldOf = (setUp: Record<string, string>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(setUp)
      .map(([part, value]): [string, string] => [part, point(value)])
      .filter(([, value]) => value !== ""),
  );
