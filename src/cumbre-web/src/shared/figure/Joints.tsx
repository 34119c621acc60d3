import Box from "@mui/material/Box";
import { useRef, useState } from "react";
import type { FigurePose, PoseHandle } from "../api/types";
import { say } from "../../words/figure";
import { placesOf, type Drawing } from "./draw";
import { Figure } from "./Figure";
import { poseWords } from "./poseWords";
import { angleName, solvedWord } from "./angleWords";
import { jointName } from "./useFigures";
import type { PoseChange } from "./usePosing";

const touch = 14;

/** A figure whose joints are dragged, or turned with the arrow keys: by 5 degrees, with Shift by 1. */
export function Joints({
  figure,
  handles,
  size,
  centre,
  onMark,
  onChange,
}: {
  figure: FigurePose;
  handles: readonly PoseHandle[];
  size: number;
  centre?: Drawing["centre"];
  /** A change begins. */
  onMark: () => void;
  onChange: (change: PoseChange) => void;
}) {
  // While a joint is dragged the picture keeps its frame.
  const [held, setHeld] = useState<FigurePose | null>(null);
  const area = useRef<SVGSVGElement>(null);
  const drawing: Drawing = { width: size, height: size, frame: [held ?? figure], least: 2.4 };
  const places = placesOf([figure], drawing);
  if (!places) return null;
  const differs = handles.some((h) => h.variable.endsWith("Left"));
  return (
    <Box
      role="group"
      aria-label={say("joints")}
      sx={{ position: "relative", width: size, height: size, bgcolor: "background.paper" }}
    >
      <Figure poses={[figure]} {...drawing} centre={centre ?? null} label={poseWords(figure.reading)} />
      <Box
        component="svg"
        ref={area}
        viewBox={`0 0 ${size} ${size}`}
        width={size}
        height={size}
        sx={(t) => ({
          position: "absolute",
          inset: 0,
          "& [role=slider]": { outline: "none", touchAction: "none", cursor: "grab" },
          "& [role=slider][aria-disabled=true]": { cursor: "default" },
          "& [role=slider]:focus-visible circle:last-of-type": { stroke: t.vars.palette.text.primary, strokeWidth: 3 },
          "& .end": { fill: t.vars.palette.background.paper, stroke: t.vars.palette.primary.main, strokeWidth: 2 },
          "& .solved": { strokeDasharray: "2 2", strokeWidth: 1 },
        })}
      >
        {handles
          .filter((h) => h.joint !== null)
          .map((handle) => {
            const joint = handle.joint!;
            const [x, y] = places.at(jointName(joint));
            const solved = handle.solved !== null;
            const degrees = Math.round(handle.value);
            return (
              <g
                key={`${handle.variable}-${joint}`}
                role="slider"
                tabIndex={0}
                aria-label={angleName(handle.variable, differs)}
                aria-valuenow={degrees}
                aria-valuemin={handle.from}
                aria-valuemax={handle.to}
                aria-valuetext={
                  handle.solved
                    ? say("degreesSolved", { degrees, why: solvedWord[handle.solved] })
                    : say("degrees", { degrees })
                }
                aria-disabled={solved}
                onKeyDown={(e) => {
                  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key];
                  if (by === undefined || solved) return;
                  e.preventDefault();
                  onMark();
                  onChange({ step: { variable: handle.variable, sign: by, degrees: e.shiftKey ? 1 : 5 } });
                }}
                onPointerDown={(e) => {
                  if (solved) return;
                  e.currentTarget.setPointerCapture(e.pointerId);
                  setHeld(figure);
                  onMark();
                }}
                onPointerMove={(e) => {
                  const box = area.current?.getBoundingClientRect();
                  if (!held || !box || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
                  const [mx, my] = places.back([e.clientX - box.left, e.clientY - box.top]);
                  onChange({ drag: { joint, x: Math.round(mx * 1000), y: Math.round(my * 1000) } });
                }}
                onPointerUp={() => setHeld(null)}
                onPointerCancel={() => setHeld(null)}
              >
                <circle cx={x} cy={y} r={touch} fill="transparent" />
                <circle cx={x} cy={y} r={solved ? 4 : 6} className={solved ? "end solved" : "end"} />
              </g>
            );
          })}
      </Box>
    </Box>
  );
}
