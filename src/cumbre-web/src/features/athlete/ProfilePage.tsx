import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { FailedPage, Loading } from "../../shared/ui/states";
import { ArchivePanel } from "./ArchivePanel";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { BodyMassPanel } from "../../shared/athletes/BodyMassPanel";
import { ProfileForm } from "./ProfileForm";
import { athleteQuery } from "../../shared/athletes/useAthlete";

/** Who the athlete is, what they weigh, what they can hang. */
export default function ProfilePage() {
  const { athleteId: id = "" } = useParams();
  const athlete = useQuery(athleteQuery(id));
  if (athlete.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (athlete.isError) return <FailedPage error={athlete.error} retry={() => void athlete.refetch()} />;
  return (
    <Frame title={athlete.data.name} tabs={<AthleteTabs athleteId={id} />}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.4fr) minmax(0,1fr)" },
          columnGap: 10,
          rowGap: 6,
        }}
      >
        <ProfileForm athlete={athlete.data} />
        <Box sx={{ display: "grid", gap: 6, alignContent: "start" }}>
          <BodyMassPanel athlete={athlete.data} />
          <ArchivePanel athlete={athlete.data} />
        </Box>
      </Box>
    </Frame>
  );
}

function Frame({ title, tabs, children }: { title: string; tabs?: React.ReactNode; children: React.ReactNode }) {
  return (
    <>
      <Typography variant="h1" sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2 }}>
        {title}
      </Typography>
      {tabs}
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 1100 }}>{children}</Box>
    </>
  );
}
