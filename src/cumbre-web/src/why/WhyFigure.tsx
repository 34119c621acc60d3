import ButtonBase from "@mui/material/ButtonBase";
import type { OpenFigure } from "./WhyContext";
import { useWhy } from "./WhyContext";

/** A figure that can be opened into how it came about: dotted when closed, a filled chip when open. */
export function WhyFigure({ figure, children }: { figure: OpenFigure; children?: React.ReactNode }) {
  const { opened, open } = useWhy();
  const on = opened?.key === figure.key;
  return (
    <ButtonBase
      onClick={(e) => {
        e.stopPropagation();
        open(figure);
      }}
      aria-expanded={on}
      aria-description="opens why"
      sx={{
        font: "inherit",
        fontVariantNumeric: "inherit",
        color: on ? "primary.contrastText" : "inherit",
        bgcolor: on ? "primary.main" : "transparent",
        borderBottom: on ? 0 : "1px dotted",
        borderColor: "primary.main",
        borderRadius: on ? "2px" : 0,
        px: on ? 1.5 : 0,
        lineHeight: "inherit",
        verticalAlign: "baseline",
        whiteSpace: "nowrap",
      }}
    >
      {children ?? figure.shown}
    </ButtonBase>
  );
}
