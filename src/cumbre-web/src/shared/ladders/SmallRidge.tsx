import type { SmallRidge as Ridge } from "../api/types";
import { filledTo, path, ridgeLine, ridgePoints } from "./geometry";
import { say } from "../../words/ladders";

/** A ladder in small, drawn against its own summit. */
export function SmallRidge({
  ridge,
  width = 150,
  height = 44,
}: {
  ridge: Pick<Ridge, "steps" | "training" | "name" | "trainingName">;
  width?: number;
  height?: number;
}) {
  const frame = { width, left: 8, right: 8, top: 14, base: height - 2 };
  const points = ridgePoints(
    ridge.steps.map((s) => s.share),
    frame,
  );
  const line = ridgeLine(points, frame);
  const flag = ridge.training === null ? null : points[ridge.training];
  return (
    <svg
      width="100%"
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={`${ridge.name}: ${ridge.trainingName ?? say("notBegun")}`}
      style={{ display: "block" }}
    >
      <path
        d={path([...line, { x: line.at(-1)!.x, y: frame.base }, { x: line[0]!.x, y: frame.base }], true)}
        fill="var(--mui-palette-background-paper)"
      />
      <path d={path(filledTo(points, frame, ridge.training), true)} fill="var(--mui-palette-primary-main)" />
      <path
        d={path(line)}
        fill="none"
        stroke="var(--mui-palette-text-primary)"
        strokeWidth="1.25"
        vectorEffect="non-scaling-stroke"
      />
      <line
        x1={line[0]!.x}
        x2={line.at(-1)!.x}
        y1={frame.base}
        y2={frame.base}
        stroke="var(--mui-palette-rock)"
        vectorEffect="non-scaling-stroke"
      />
      {flag && (
        <>
          <line
            x1={flag.x}
            x2={flag.x}
            y1={flag.y - 13}
            y2={flag.y}
            stroke="var(--mui-palette-text-primary)"
            strokeWidth="1.5"
            vectorEffect="non-scaling-stroke"
          />
          <path
            d={
              flag.x > width - 20
                ? `M${flag.x} ${flag.y - 13}h-11l3 3.5 -3 3.5h11z`
                : `M${flag.x} ${flag.y - 13}h11l-3 3.5 3 3.5h-11z`
            }
            fill="var(--mui-palette-text-primary)"
          />
        </>
      )}
    </svg>
  );
}
