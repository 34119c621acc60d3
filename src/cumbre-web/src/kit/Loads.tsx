import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useUnit } from "../accounts/useMe";
import type { KitBook } from "../api/types";
import { mass } from "../ui/format";

/** The ladder of loads that can be hung, with its gaps. */
export function Loads({ book }: { book: KitBook }) {
  const unit = useUnit();
  const gaps = book.loads.filter((l) => l.gap);
  if (book.loads.length <= 1)
    return (
      <Typography variant="body2" color="textSecondary">
        Nothing to hang yet: no load can be made.
      </Typography>
    );
  return (
    <Box component="section" aria-label="What can be loaded">
      <Typography variant="h2">What can be loaded</Typography>
      <Typography variant="body2" color="textSecondary">
        {book.loads.length}
        {book.moreLoads && " and more"} loads up to {mass(book.loads.at(-1)!.kg, unit)};{" "}
        {gaps.length === 0
          ? "no step is wider than a usual increase"
          : `${gaps.length} ${gaps.length === 1 ? "step is" : "steps are"} wider than a usual increase of 2.5 kg`}
      </Typography>
      <Box
        component="ol"
        tabIndex={0}
        aria-label="Loads"
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
            title={l.pieces.map((p) => p.value).join(" + ") || "nothing"}
            sx={(t) => ({
              fontSize: 13,
              px: 1.5,
              py: 0.5,
              bgcolor: "background.paper",
              border: `1px solid ${t.vars.palette.divider}`,
            })}
          >
            {mass(l.kg, unit)}
            {l.gap && (
              <Box component="span" sx={{ color: "text.secondary" }}>
                {" "}
                … {mass(l.stepUpKg ?? 0, unit)} gap
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
