import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";

/** Somebody or something in a list, with what can be done. */
export function AccountRow({
  title,
  note,
  muted = false,
  children,
}: {
  title: React.ReactNode;
  note: React.ReactNode;
  muted?: boolean;
  children?: React.ReactNode;
}) {
  return (
    <Box
      component="li"
      sx={{
        display: "flex",
        gap: 3,
        alignItems: "center",
        flexWrap: "wrap",
        py: 2,
        borderTop: 1,
        borderColor: "divider",
      }}
    >
      <Box sx={{ mr: "auto", minWidth: 0 }}>
        <Typography color={muted ? "textSecondary" : "textPrimary"}>{title}</Typography>
        <Typography variant="body2" color="textSecondary">
          {note}
        </Typography>
      </Box>
      {children}
    </Box>
  );
}

export function Rows({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box component="ul" aria-label={label} sx={{ listStyle: "none", m: 0, p: 0 }}>
      {children}
    </Box>
  );
}
