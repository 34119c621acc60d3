import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";

/** A quiet card on the page of a session: what is asked beside its sets. */
export function Card({
  label,
  inline = false,
  children,
}: {
  label: string;
  /** On one line with its heading. */
  inline?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Box
      component="section"
      aria-label={label}
      sx={(t) => ({
        mt: 3,
        px: 4,
        py: inline ? 2 : 4,
        bgcolor: "background.paper",
        border: `1px solid ${t.vars.palette.line2}`,
        display: "flex",
        gap: 3,
        flexWrap: "wrap",
        alignItems: "center",
      })}
    >
      <Typography variant="h3" component="h2" sx={{ width: inline ? "auto" : "100%" }}>
        {label}
      </Typography>
      {children}
    </Box>
  );
}
