import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { moment } from "../../shared/ui/format";
import { say } from "../../words/mine";

/** A page that an athlete reads on a phone. */
export function Frame({
  title,
  copyAt = null,
  children,
}: {
  title: string;
  /** When the copy that is shown was made; null: it was read just now. */
  copyAt?: number | null;
  children: React.ReactNode;
}) {
  return (
    <Box sx={{ width: "100%", maxWidth: 640, mx: "auto", px: 4, py: 4, display: "grid", gap: 5 }}>
      <Box>
        <Typography variant="h1" sx={{ fontSize: 28, lineHeight: "34px" }}>
          {title}
        </Typography>
        {copyAt !== null && (
          <Typography role="status">{say("copyFrom", { moment: moment(new Date(copyAt).toISOString()) })}</Typography>
        )}
      </Box>
      {children}
    </Box>
  );
}
