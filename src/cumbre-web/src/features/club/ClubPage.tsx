import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/club";
import { Backups } from "./Backups";
import { useClub } from "./queries";
import { Settings } from "./Settings";

/** What the whole club lives with, and how it is kept safe. */
export default function ClubPage() {
  const club = useClub();
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 920, display: "grid", gap: 7 }}>
      <Typography variant="h1">{say("club")}</Typography>
      <Box component="section" aria-label={say("settings")}>
        {club.isPending && <Loading rows={5} />}
        {club.isError && <Failed error={club.error} retry={() => void club.refetch()} />}
        {club.data && <Settings key={JSON.stringify(club.data)} club={club.data} />}
      </Box>
      <Backups />
      <Box component="section" aria-label={say("archive")}>
        <Typography variant="h2">{say("archive")}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 3 }}>
          {say("archiveNote")}
        </Typography>
        <Button href="/api/club/archive" variant="outlined">
          {say("download")}
        </Button>
      </Box>
    </Box>
  );
}
