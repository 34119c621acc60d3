import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { FilePreview } from "../../shared/api/types";
import { dayFull } from "../../shared/ui/format";
import { say } from "../../words/exchange";

/** The first lines of the file as they would stand in the club. */
export function Sample({ preview }: { preview: FilePreview }) {
  if (preview.sample.length === 0) return null;
  return (
    <Box component="section" aria-label={say("sampleTitle")} sx={{ pt: 5, maxWidth: 900 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", pb: 1 }}>
        <Typography variant="h2">{say("sampleTitle")}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say("sampleNote")}
        </Typography>
      </Box>
      <Box sx={{ overflowX: "auto" }}>
        <Table size="small" aria-label={say("sampleTitle")}>
          <TableBody>
            {preview.sample.map((s, i) => (
              <TableRow key={i}>
                <TableCell>{s.who ?? (s.week && say("weekNo", { week: s.week }))}</TableCell>
                <TableCell>{s.day ? dayFull(s.day) : ""}</TableCell>
                <TableCell>{s.what ?? (s.day ? say("BodyMass") : "")}</TableCell>
                <TableCell>{s.text || say("profileOnly")}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}
