import Box from "@mui/material/Box";
import { useRef } from "react";
import type { PicturePoint } from "../../../shared/api/types";
import { say } from "../../../words/linemeter";

const names = [say("hand"), say("elbow"), say("shoulder"), say("hip"), say("knee"), say("ankle")];
const touch = 16;

/** A picture with the joints marked on it and the line through them; the marks are moved by dragging or by arrow keys. */
export function MarkedPicture({
  image,
  width,
  height,
  marks,
  size,
  label,
  onMove,
}: {
  /** Null: it was not kept, and the line alone is shown. */
  image: string | null;
  width: number;
  height: number;
  marks: readonly PicturePoint[];
  /** Of the whole on the page, px. */
  size: number;
  label: string;
  onMove?: (marks: PicturePoint[]) => void;
}) {
  const area = useRef<SVGSVGElement>(null);
  const scale = size / width;
  const move = (i: number, x: number, y: number) =>
    onMove?.(
      marks.map((mark, at) =>
        at === i ? { x: Math.max(0, Math.min(width, x)), y: Math.max(0, Math.min(height, y)) } : mark,
      ),
    );
  const line = marks.map(({ x, y }) => `${x * scale},${y * scale}`).join(" ");
  return (
    <Box
      component="svg"
      ref={area}
      viewBox={`0 0 ${size} ${height * scale}`}
      width={size}
      height={height * scale}
      role="group"
      aria-label={label}
      sx={(t) => ({
        display: "block",
        maxWidth: "100%",
        bgcolor: "background.paper",
        border: 1,
        borderColor: "divider",
        "& polyline": { fill: "none", stroke: t.vars.palette.primary.main, strokeWidth: 2 },
        "& .halo": { stroke: "#fff", strokeWidth: 4 },
        "& .mark": { fill: "#fff", stroke: t.vars.palette.primary.main, strokeWidth: 2 },
        "& [role=button]": { outline: "none", cursor: "grab", touchAction: "none" },
        "& [role=button]:focus-visible .mark": { stroke: t.vars.palette.secondary.main, strokeWidth: 4 },
      })}
    >
      {image && <image href={image} width={size} height={height * scale} />}
      <polyline points={line} className="halo" />
      <polyline points={line} />
      {marks.map(({ x, y }, i) =>
        onMove ? (
          <g
            key={i}
            role="button"
            tabIndex={0}
            aria-label={say("markAt", { joint: names[i] ?? "", x: Math.round(x), y: Math.round(y) })}
            onKeyDown={(e) => {
              const [dx, dy] =
                { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key] ?? [];
              if (dx === undefined || dy === undefined) return;
              e.preventDefault();
              const by = e.shiftKey ? 10 : 1;
              move(i, x + dx * by, y + dy * by);
            }}
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerMove={(e) => {
              const box = area.current?.getBoundingClientRect();
              if (!box || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
              const shown = box.width / width;
              move(i, (e.clientX - box.left) / shown, (e.clientY - box.top) / shown);
            }}
          >
            <circle cx={x * scale} cy={y * scale} r={touch} fill="transparent" />
            <circle cx={x * scale} cy={y * scale} r={6} className="mark" />
          </g>
        ) : (
          <circle key={i} cx={x * scale} cy={y * scale} r={4} className="mark" />
        ),
      )}
    </Box>
  );
}
