import Box from "@mui/material/Box";

/** A figure in the head of a page: what it is, what it says, and a note under it. */
export function Fact({ label, note, children }: { label: React.ReactNode; note?: string; children: React.ReactNode }) {
  return (
    <Box sx={{ fontSize: 13, lineHeight: "16px" }}>
      <Box sx={{ color: "text.secondary", fontStretch: "94%" }}>{label}</Box>
      <Box sx={{ fontSize: 14, lineHeight: "20px", fontWeight: 600 }}>{children}</Box>
      {note && <Box sx={{ color: "text.secondary", fontStretch: "92%", fontSize: 12 }}>{note}</Box>}
    </Box>
  );
}
