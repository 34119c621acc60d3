import type { Piece } from "../api/types";
import { toKilograms, unitName } from "./format";
import { pieceName } from "./pieces";
import { say } from "../../words/ui";

const widest = 25;

/** Pieces on the belt's pin, flat, the largest lowest; width is the plate's diameter. */
export function Plates({
  pieces,
  takeOff = [],
  scale = 1,
  plain = false,
  label,
}: {
  /** What stays on, largest first. */
  pieces: Piece[];
  /** What comes off next, drawn dashed on top. */
  takeOff?: Piece[];
  scale?: number;
  /** Without figures on the plates, for small stacks that are labelled beside. */
  plain?: boolean;
  label?: string;
}) {
  const stack = [...pieces.map((piece) => ({ piece, off: false })), ...takeOff.map((piece) => ({ piece, off: true }))];
  const row = 13 * scale;
  const width = 80 * scale;
  const height = Math.max(2, stack.length) * row + 12 * scale;
  const base = height - 4 * scale;
  const middle = width / 2;
  const says =
    stack.length === 0
      ? say("nothingOnThePin")
      : say("onThePin", {
          stack: stack.map((s) => pieceName(s.piece)).join(" + "),
          unitName: unitName[stack[0]!.piece.size.unit],
        });
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label ?? says}>
      <path
        d={`M${middle} 2V${base}M${middle - 12 * scale} ${base}h${24 * scale}`}
        stroke="var(--mui-palette-ink3)"
        strokeWidth="2"
        fill="none"
      />
      {stack.map(({ piece, off }, i) => {
        const share = Math.sqrt(Math.min(1, toKilograms(piece.size) / widest));
        // A word beside the figure takes the whole width.
        const w = (piece.sort === "Plate" || piece.sort === "Vest" ? 22 + 54 * share : 76) * scale;
        const y = base - 1 - (i + 1) * row;
        return (
          <g key={i}>
            <rect
              x={middle - w / 2}
              y={y}
              width={w}
              height={row - 1}
              rx={piece.sort === "Plate" ? 0 : 6 * scale}
              fill={off ? "var(--mui-palette-background-paper)" : "var(--mui-palette-plate)"}
              stroke={off ? "var(--mui-palette-secondary-main)" : "none"}
              strokeDasharray={off ? "4 2" : undefined}
              strokeWidth="1.25"
            />
            {!plain && (
              <text
                x={middle}
                y={y + row / 2 + 3.6 * scale}
                fontSize={Math.max(10, 11 * scale)}
                fontWeight="650"
                textAnchor="middle"
                fill={off ? "var(--mui-palette-secondary-main)" : "var(--mui-palette-onPlate)"}
              >
                {pieceName(piece)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
