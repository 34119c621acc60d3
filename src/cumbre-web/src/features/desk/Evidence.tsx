import type { Decision } from "../../shared/api/types";
import { say as word } from "../../words/common";
import { say } from "../../words/desk";

const side = 9;

/** The last sessions as columns, oldest left; a filled square is a set that met its target. */
export function Evidence({ decision }: { decision: Decision }) {
  const columns = [...decision.evidence].reverse();
  const rows = Math.max(1, ...columns.map((c) => c.sets.length));
  const step = Math.min(12, 36 / rows);
  const clean = columns.filter((c) => c.clean).length;
  return (
    <svg
      width="128"
      height="36"
      viewBox="0 0 128 36"
      role="img"
      aria-label={say("lastSessionsOldestFirst", {
        columns: columns.length,
        columns2: columns
          .map((c) => `${c.sets.map((s) => s.reps).join(" ")} ${c.clean ? word("clean") : say("notClean")}`)
          .join("; "),
      })}
    >
      {columns.map((column, x) =>
        column.sets.map((set, y) => (
          <rect
            key={`${x}-${y}`}
            x={0.75 + x * 20}
            y={1 + y * step}
            width={side}
            height={Math.min(side - 1, step - 2)}
            fill={set.met ? "var(--mui-palette-primary-main)" : "none"}
            stroke={set.met ? "var(--mui-palette-primary-main)" : "var(--mui-palette-ink3)"}
            strokeWidth="1.25"
          />
        )),
      )}
      <text x="86" y="13" fontSize="12" fill="var(--mui-palette-ink3)" style={{ fontStretch: "85%" }}>
        {say("clean")}
      </text>
      <text
        x="86"
        y="31"
        fontSize="12"
        fontWeight="600"
        fill="var(--mui-palette-text-primary)"
        style={{ fontStretch: "85%" }}
      >
        {say("of", { clean, columns: columns.length })}
      </text>
    </svg>
  );
}
