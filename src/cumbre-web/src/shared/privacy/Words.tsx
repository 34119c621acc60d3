import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";

const headingMost = 60;

/** A text of paragraphs; a short line that ends in no stop is a heading. */
export function Words({ text, heading = "h3" }: { text: string; heading?: "h2" | "h3" }) {
  return (
    <Box sx={{ maxWidth: 640 }}>
      {text
        .split(/\n{2,}/)
        .map((p) => p.trim())
        .filter(Boolean)
        .map((p, i) =>
          p.length <= headingMost && !p.includes("\n") && !/[.!?:]$/.test(p) ? (
            <Typography key={i} variant="h3" component={heading} sx={{ mt: 4, mb: 1 }}>
              {p}
            </Typography>
          ) : (
            <Typography key={i} sx={{ mb: 2, whiteSpace: "pre-line" }}>
              {p}
            </Typography>
          ),
        )}
    </Box>
  );
}
