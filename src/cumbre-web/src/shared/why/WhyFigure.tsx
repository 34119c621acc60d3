import ButtonBase from "@mui/material/ButtonBase";
import type { AskedFigure, OpenFigure } from "./WhyContext";
import { useWhy } from "./WhyContext";
import { say } from "../../words/why";

/** Dotted when closed, a filled chip when open. */
function whyStyle(on: boolean) {
  return {
    font: "inherit",
    fontStretch: "inherit",
    fontVariantNumeric: "inherit",
    color: on ? "primary.contrastText" : "inherit",
    // As high as the line and no higher, so that the lines around it stay clear.
    background: on
      ? "linear-gradient(var(--mui-palette-primary-main) 0 100%) center / 100% calc(100% - 4px) no-repeat"
      : "none",
    textDecoration: on ? "none" : "underline dotted 1px",
    textDecorationColor: "var(--mui-palette-primary-main)",
    textUnderlineOffset: "3px",
    borderRadius: on ? "2px" : 0,
    px: on ? 1.5 : 0,
    lineHeight: "inherit",
    verticalAlign: "baseline",
    // A target large enough for a finger, without pushing the lines apart.
    minWidth: 24,
    minHeight: 24,
    my: "-4px",
    whiteSpace: "nowrap",
  } as const;
}

/** A figure that can be opened into how it came about. */
export function WhyFigure({
  figure,
  wrap = false,
  children,
}: {
  figure: OpenFigure | AskedFigure;
  /** Words rather than a figure: they may run over several lines. */
  wrap?: boolean;
  children?: React.ReactNode;
}) {
  const { opened, asking, open } = useWhy();
  const on = opened?.key === figure.key;
  return (
    <ButtonBase
      onClick={(e) => {
        e.stopPropagation();
        open(figure);
      }}
      disabled={asking === figure.key}
      aria-expanded={on}
      aria-description={say("opensWhy")}
      sx={wrap ? { ...whyStyle(on), whiteSpace: "normal", textAlign: "left" } : whyStyle(on)}
    >
      {children ?? ("shown" in figure && figure.shown)}
    </ButtonBase>
  );
}
