import Box from "@mui/material/Box";
import { Figure } from "./Figure";
import { poseWords } from "./poseWords";
import { useMovementFigure } from "./useFigures";
import { useSeen } from "./useSeen";

/** A movement beside its name: its end, from 72 px on with the start behind it and the way between. */
export function MovementFigure({
  movement,
  size,
  name,
  athleteId,
  lazy = false,
  lever = false,
}: {
  movement: string;
  size: number;
  /** Where the figure stands alone, it is read out with this. */
  name?: string;
  athleteId?: string;
  /** Drawn when it comes into view: for long lists. */
  lazy?: boolean;
  /** The end alone, with the lever between shoulder and centre of mass. */
  lever?: boolean;
}) {
  const figure = useMovementFigure(movement, athleteId);
  const { ref, seen } = useSeen(lazy);
  const end = figure?.poses.at(-1);
  if (!figure || !end || !seen) return <Box ref={ref} aria-hidden sx={{ width: size, height: size, flexShrink: 0 }} />;
  return (
    <Figure
      poses={lever ? [end] : figure.poses}
      width={size}
      height={size}
      ghost
      path={figure.path}
      {...(lever && { centre: [(end.centre[0] ?? 0) / 1000, (end.centre[1] ?? 0) / 1000] })}
      focus={size < 72 ? null : figure.focus}
      {...(name && { label: `${name}. ${poseWords(end.reading)}` })}
    />
  );
}
