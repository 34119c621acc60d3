import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { newId } from "../ui/newId";
import { useUnit } from "../accounts/useMe";
import type { Athlete } from "../api/types";
import { Failed, Loading } from "../ui/states";
import { AthleteTabs } from "./AthleteTabs";
import { BodyMassPanel } from "./BodyMassPanel";
import { ProfileForm } from "./ProfileForm";
import { emptyIntake } from "./intake";
import { athleteQuery } from "./useLift";

/** Who the athlete is, what they weigh, what they can hang. */
export default function ProfilePage() {
  const { athleteId } = useParams();
  return athleteId ? <Existing id={athleteId} /> : <New />;
}

function New() {
  const unit = useUnit();
  const navigate = useNavigate();
  const [athlete] = useState<Athlete>(() => ({
    id: newId(),
    name: "",
    birthYear: null,
    unit,
    sex: null,
    statureCm: null,
    lengths: { armCm: null, trunkCm: null, thighCm: null, shankCm: null },
    schools: [],
    cleared: false,
    kit: { plates: [], hasBelt: true, vest: null },
    version: 0,
    bodyMasses: [],
    intake: emptyIntake,
    archived: false,
    openClearances: [],
    consentMissing: false,
  }));
  return (
    <Frame title="New athlete">
      <ProfileForm athlete={athlete} onSaved={(a) => void navigate(`/athletes/${a.id}/profile`, { replace: true })} />
    </Frame>
  );
}

function Existing({ id }: { id: string }) {
  const athlete = useQuery(athleteQuery(id));
  if (athlete.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (athlete.isError)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={athlete.error} retry={() => void athlete.refetch()} />
      </Box>
    );
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
        <BodyMassPanel athlete={athlete.data} />
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
