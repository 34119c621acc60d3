import Box from "@mui/material/Box";
import type { Theme } from "@mui/material/styles";
import { memo } from "react";
import { draw, type Drawing, type Tone } from "./draw";
import type { Drawable } from "./skin";

const colour: Record<Tone, (t: Theme) => string> = {
  near: (t) => t.vars.palette.text.primary,
  body: (t) => t.vars.palette.text.secondary,
  far: (t) => t.vars.palette.figureFar,
  ghost: (t) => t.vars.palette.divider,
  kit: (t) => t.vars.palette.rock,
  kitFill: (t) => t.vars.palette.ground,
  gap: (t) => t.vars.palette.background.paper,
  move: (t) => t.vars.palette.primary.main,
  band: (t) => t.vars.palette.glacierMid,
};

const tones = Object.keys(colour) as Tone[];

/** A body in a position. Beside its name it is hidden from readers; alone it has a label. */
export const Figure = memo(function Figure({
  poses,
  label,
  ...drawing
}: Drawing & { poses: readonly Drawable[]; label?: string }) {
  const { width, height } = drawing;
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      focusable="false"
      {...(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
      sx={(t) => ({
        display: "block",
        flexShrink: 0,
        // What is around may say otherwise: paper is black on white in either theme.
        ...Object.fromEntries(tones.map((tone) => [`--drawn-${tone}`, `var(--figure-${tone}, ${colour[tone](t)})`])),
      })}
    >
      {draw(poses, drawing).map(({ d, fill, stroke, width: line, dash, under }, i) => (
        <path
          key={i}
          d={d}
          fill={fill ? `var(--drawn-${fill})` : "none"}
          stroke={stroke ? `var(--drawn-${stroke})` : undefined}
          strokeWidth={line}
          strokeDasharray={dash}
          strokeLinecap="round"
          strokeLinejoin="round"
          style={under ? { paintOrder: "stroke" } : undefined}
        />
      ))}
    </Box>
  );
});
