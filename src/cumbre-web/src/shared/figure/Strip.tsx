import Box from "@mui/material/Box";
import { say } from "../../words/figure";
import { Figure } from "./Figure";
import { poseWords } from "./poseWords";
import { useMovementFigure } from "./useFigures";

/** The key positions side by side in one frame, so that the bar stays where it is. */
export function Strip({
  movement,
  name,
  size,
  least = 1,
}: {
  movement: string;
  name: string;
  size: number;
  /** With fewer positions there is no strip. */
  least?: number;
}) {
  const figure = useMovementFigure(movement);
  if (!figure || figure.poses.length < least) return null;
  const { poses } = figure;
  return (
    <Box
      component="ol"
      aria-label={say("positions", { name })}
      sx={{ listStyle: "none", m: 0, p: 0, display: "flex", flexWrap: "wrap", gap: 1 }}
    >
      {poses.map((pose, i) => (
        <Box component="li" key={i} sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider" }}>
          <Figure
            poses={[pose]}
            frame={poses}
            width={size}
            height={size}
            label={say("position", { name, at: i + 1, count: poses.length, pose: poseWords(pose.reading) })}
          />
        </Box>
      ))}
    </Box>
  );
}
