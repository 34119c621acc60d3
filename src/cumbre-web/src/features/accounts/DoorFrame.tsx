import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useRef } from "react";
import { Mark } from "../../shared/ui/Mark";
import { usePageHeading } from "../../shared/ui/usePageHeading";
import { say } from "../../words/accounts";

/** The page before anybody is signed in. */
export function DoorFrame({ title, children }: { title: string; children: React.ReactNode }) {
  const page = useRef<HTMLElement>(null);
  usePageHeading(page, "door");
  return (
    <Box sx={{ minHeight: "100%", display: "grid", gridTemplateColumns: { xs: "1fr", md: "minmax(320px, 5fr) 7fr" } }}>
      <Box
        sx={(t) => ({
          bgcolor: t.vars.palette.rail,
          color: "#fff",
          p: { xs: 6, md: 12 },
          display: "flex",
          flexDirection: "column",
          gap: 4,
          justifyContent: "center",
        })}
      >
        <Mark width={96} />
        <Typography variant="figure" component="p">
          {say("cumbre")}
        </Typography>
        <Typography sx={{ color: "#C4CFD6", maxWidth: 320 }}>{say("theWorkbenchOfACalisthenicsCoachThe")}</Typography>
      </Box>
      <Box
        component="main"
        ref={page}
        sx={{ p: { xs: 6, md: 12 }, display: "flex", flexDirection: "column", justifyContent: "center", maxWidth: 560 }}
      >
        <Typography variant="h1" sx={{ mb: 5 }}>
          {title}
        </Typography>
        {children}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 8 }}>
          {say("cumbreGivesTrainingArithmeticNotMedical")}
        </Typography>
      </Box>
    </Box>
  );
}
