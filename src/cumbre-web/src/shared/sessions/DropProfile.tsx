import { useUnit } from "../account/useMe";
import type { Resolved } from "../api/types";
import { added, mass } from "../ui/format";
import { pieceName } from "../ui/pieces";
import { Plates } from "../ui/Plates";
import Box from "@mui/material/Box";
import { say } from "../../words/sessions";
import { gripWord } from "../ui/nameWords";

const width = 336;
const height = 78;

/** A drop set as a falling ridge: height is system mass. Under it what hangs, and what comes off. */
export function DropProfile({ plan }: { plan: Resolved }) {
  const unit = useUnit();
  const parts = plan.efforts.filter((e) => e.set === 1);
  const loads = parts.map((e) => plan.loads[e.load]!);
  const top = Math.max(...loads.map((l) => l.systemKg));
  const bottom = Math.min(...loads.map((l) => l.systemKg));
  // The lowest part keeps a third of the height, so that small and large drops both read.
  const y = (kg: number) => (top === bottom ? 12 : 12 + ((top - kg) / (top - bottom)) * (height * 0.4));
  const step = width / parts.length;
  const line = loads.map((l, i) => `${i * step},${y(l.systemKg)} ${(i + 1) * step},${y(l.systemKg)}`).join(" ");
  return (
    <Box sx={{ width, maxWidth: "100%" }}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width="100%"
        role="img"
        aria-label={say("drop", {
          parts: parts
            .map((e, i) =>
              say("repsAtOfSystem", {
                repsHigh: e.repsHigh,
                added: added(loads[i]!.made.value.number ?? 0, unit),
                systemKg: mass(loads[i]!.systemKg, unit),
              }),
            )
            .join("; "),
        })}
      >
        <polygon points={`0,${height} ${line} ${width},${height}`} fill="var(--mui-palette-primary-light)" />
        <polyline
          points={`0,${height} ${line} ${width},${height}`}
          fill="none"
          stroke="var(--mui-palette-text-primary)"
          strokeWidth="1.5"
        />
        <path d={`M0 ${height - 0.5}H${width}`} stroke="var(--mui-palette-text-primary)" />
        {parts.map((e, i) => (
          <g key={e.part}>
            <text
              x={i * step + 6}
              y={height - (parts[0]?.grip ? 22 : 8)}
              fontSize="13"
              fontWeight="600"
              fill="var(--mui-palette-text-primary)"
            >
              {say("at", { repsHigh: e.repsHigh, added: added(loads[i]!.made.value.number ?? 0, unit) })}
            </text>
            {e.grip && (
              <text
                x={i * step + 6}
                y={height - 7}
                fontSize="12"
                fill="var(--mui-palette-text-secondary)"
                style={{ fontStretch: "85%" }}
              >
                {gripWord[e.grip]}
              </text>
            )}
          </g>
        ))}
      </svg>
      <Box sx={{ display: "flex", alignItems: "flex-end", mt: 1 }}>
        {parts.map((e, i) => {
          const comesOff = parts[i + 1]?.takeOff ?? [];
          return (
            <Box key={e.part} sx={{ flex: 1, textAlign: "center", fontSize: 12, lineHeight: "16px" }}>
              <Plates pieces={staying(loads[i]!.pieces, comesOff)} takeOff={comesOff} scale={0.9} />
              <div>
                {comesOff.length > 0 ? say("takeOff", { comesOff: comesOff.map(pieceName).join(" + ") }) : "\u00a0"}
              </div>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** The pieces that are left when some come off. */
function staying(pieces: Resolved["loads"][number]["pieces"], off: typeof pieces) {
  const rest = [...pieces];
  for (const piece of off) {
    const at = rest.findIndex(
      (p) => p.size.value === piece.size.value && p.size.unit === piece.size.unit && p.sort === piece.sort,
    );
    if (at >= 0) rest.splice(at, 1);
  }
  return rest;
}
