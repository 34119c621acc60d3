import Box from "@mui/material/Box";

/** A key of the keyboard, as a hint. */
export function KeyCap({ children, quiet = false }: { children: React.ReactNode; quiet?: boolean }) {
  return (
    <Box
      component="kbd"
      sx={(t) => ({
        display: "inline-flex",
        alignItems: "center",
        justifyContent: "center",
        minWidth: 18,
        height: 18,
        px: 1,
        border: "1px solid",
        borderColor: quiet ? "currentColor" : t.vars.palette.line2,
        borderRadius: "2px",
        font: "500 12px/16px inherit",
        fontFamily: "inherit",
        fontSize: 12,
        color: quiet ? "inherit" : "text.secondary",
        bgcolor: quiet ? "transparent" : "background.paper",
      })}
    >
      {children}
    </Box>
  );
}
