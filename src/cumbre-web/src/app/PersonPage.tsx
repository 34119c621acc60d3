import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { PersonAudit } from "../features/audit/PersonAudit";
import { AccessPanel } from "../features/people/AccessPanel";
import { ConsentPanel } from "../features/privacy/ConsentPanel";
import { useSignedIn } from "../shared/account/useMe";
import { AthleteTabs } from "../shared/athletes/AthleteTabs";
import { athleteQuery } from "../shared/athletes/useAthlete";
import { FailedPage, Loading } from "../shared/ui/states";
import { say } from "../words/privacy";

/** What a person has agreed to, who sees them, what was noted of them, and their data to take along. */
export default function PersonPage() {
  const { athleteId = "" } = useParams();
  const { isCoach } = useSignedIn();
  const athlete = useQuery(athleteQuery(athleteId));
  if (athlete.isPending) return <Loading />;
  if (athlete.isError) return <FailedPage error={athlete.error} retry={() => void athlete.refetch()} />;
  const file = `/api/athletes/${athleteId}/export`;
  return (
    <Box sx={{ pb: 6 }}>
      <Typography variant="h1" sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2 }}>
        {athlete.data.name}
      </Typography>
      <AthleteTabs athleteId={athleteId} />
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, display: "grid", gap: 6 }}>
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) minmax(0,1fr)" },
            columnGap: 10,
            rowGap: 6,
            maxWidth: 1100,
          }}
        >
          <ConsentPanel athleteId={athleteId} />
          <Box sx={{ display: "grid", gap: 6, alignContent: "start" }}>
            {isCoach && <AccessPanel athleteId={athleteId} athlete={athlete.data.name} />}
            <Box component="section" aria-label={say("yourData")}>
              <Typography variant="h2">{say("yourData")}</Typography>
              <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
                {say("yourDataNote")}
              </Typography>
              <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
                <Button size="small" component="a" href={`${file}.html`}>
                  {say("readableFile")}
                </Button>
                <Button size="small" component="a" href={file}>
                  {say("dataFile")}
                </Button>
              </Box>
            </Box>
          </Box>
        </Box>
        <Box component="section" aria-label={say("changes")}>
          <Typography variant="h2" sx={{ mb: 2 }}>
            {say("changes")}
          </Typography>
          <PersonAudit athleteId={athleteId} />
        </Box>
      </Box>
    </Box>
  );
}
