import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useUnit } from "../../shared/account/useMe";
import type { KitBook } from "../../shared/api/types";
import { mass } from "../../shared/ui/format";
import { say } from "../../words/kit";

/** The loads that can be made, with their gaps. */
export function Loads({ book }: { book: KitBook }) {
  const unit = useUnit();
  const gaps = book.loads.filter((l) => l.gap);
  if (book.loads.length <= 1)
    return (
      <Typography variant="body2" color="textSecondary">
        {say("nothingToHangYetNoLoadCan")}
      </Typography>
    );
  return (
    <Box component="section" aria-label={say("whatCanBeLoaded")}>
      <Typography variant="h2">{say("whatCanBeLoaded")}</Typography>
      <Typography variant="body2" color="textSecondary">
        {say("loadsAndGaps", {
          more: String(book.moreLoads),
          count: book.loads.length,
          heaviest: mass(book.loads.at(-1)!.kg, unit),
          gaps: gaps.length,
          step: mass(book.usualStepKg, unit),
        })}
      </Typography>
      <Box
        component="ol"
        tabIndex={0}
        aria-label={say("loads")}
        sx={{
          listStyle: "none",
          m: 0,
          mt: 2,
          p: 0,
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          maxHeight: 132,
          overflow: "auto",
          fontVariantNumeric: "tabular-nums",
        }}
      >
        {book.loads.map((l) => (
          <Box
            component="li"
            key={l.kg}
            title={l.pieces.map((p) => p.value).join(" + ") || say("noPieces")}
            sx={(t) => ({
              fontSize: 13,
              px: 1.5,
              py: 0.5,
              bgcolor: "background.paper",
              border: `1px solid ${t.vars.palette.divider}`,
            })}
          >
            {l.kg === 0 ? say("bodyweightOnly") : mass(l.kg, unit)}
            {l.gap && (
              <Box component="span" sx={{ color: "text.secondary" }}>
                {" "}
                {say("gap", { mass: mass(l.stepUpKg ?? 0, unit) })}
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
