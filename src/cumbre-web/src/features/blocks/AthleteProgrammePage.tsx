import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { dayFull } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { NewBlockDialog } from "./NewBlockDialog";
import { blocksQuery, programmesQuery } from "../../shared/blocks/queries";
import { say } from "../../words/blocks";

/** The blocks of one athlete, newest first. */
export default function AthleteProgrammePage() {
  const { athleteId = "" } = useParams();
  const blocks = useQuery(blocksQuery(athleteId));
  const rows = useQuery(programmesQuery);
  const navigate = useNavigate();
  const [creating, setCreating] = useState(false);
  const row = rows.data?.find((r) => r.athleteId === athleteId);
  return (
    <>
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 2.5, display: "flex", flexWrap: "wrap", gap: 3, alignItems: "center" }}>
        <Box sx={{ mr: "auto" }}>
          <Typography variant="h1">{row?.athleteName ?? say("programme")}</Typography>
          <Typography variant="body2" color="textSecondary">
            {row?.goals.join(", ") || say("noGoalYet")}
          </Typography>
        </Box>
        <Button component={Link} to={`/athletes/${athleteId}/import`}>
          {say("import")}
        </Button>
        <Button disabled={!row} onClick={() => setCreating(true)}>
          {say("emptyBlock")}
        </Button>
        <Button
          component={Link}
          to={`/athletes/${athleteId}/generate`}
          variant="contained"
          color="secondary"
          disabled={!row}
        >
          {say("generateABlock")}
        </Button>
      </Box>
      <AthleteTabs athleteId={athleteId} />
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
        {blocks.isPending && <Loading />}
        {blocks.isError && <Failed error={blocks.error} retry={() => void blocks.refetch()} />}
        {blocks.data?.length === 0 && (
          <Empty title={say("noBlockYet")}>
            {say.rich("writeOneByHandOrApplyA", {
              g: (generate) => <Link to={`/athletes/${athleteId}/generate`}>{generate}</Link>,
              p: (programmes) => <Link to="/programmes">{programmes}</Link>,
            })}
          </Empty>
        )}
        <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, maxWidth: 640 }}>
          {blocks.data?.map((b) => (
            <Box component="li" key={b.id} sx={{ py: 2, borderBottom: 1, borderColor: "divider" }}>
              <Link to={`/athletes/${athleteId}/blocks/${b.id}`}>{b.name}</Link>
              <Typography variant="body2" color="textSecondary">
                {say("text6", { weeks: b.weeks, start: dayFull(b.start) })}
              </Typography>
            </Box>
          ))}
        </Box>
      </Box>
      {creating && row && (
        <NewBlockDialog
          row={row}
          onClose={() => setCreating(false)}
          onMade={(id) => void navigate(`/athletes/${athleteId}/blocks/${id}`)}
        />
      )}
    </>
  );
}
