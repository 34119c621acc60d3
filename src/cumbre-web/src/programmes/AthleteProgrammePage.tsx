import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { AthleteTabs } from "../athlete/AthleteTabs";
import { dayFull, plural } from "../ui/format";
import { Empty, Failed, Loading } from "../ui/states";
import { NewBlockDialog } from "./NewBlockDialog";
import { blocksQuery, programmesQuery } from "./queries";

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
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 2.5, display: "flex", gap: 3, alignItems: "center" }}>
        <Box sx={{ mr: "auto" }}>
          <Typography variant="h1">{row?.athleteName ?? "Programme"}</Typography>
          <Typography variant="body2" color="textSecondary">
            {row?.goals.join(", ") || "no goal yet"}
          </Typography>
        </Box>
        <Button component={Link} to={`/athletes/${athleteId}/import`}>
          Import
        </Button>
        <Button disabled={!row} onClick={() => setCreating(true)}>
          Empty block
        </Button>
        <Button
          component={Link}
          to={`/athletes/${athleteId}/generate`}
          variant="contained"
          color="secondary"
          disabled={!row}
        >
          Generate a block
        </Button>
      </Box>
      <AthleteTabs athleteId={athleteId} />
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
        {blocks.isPending && <Loading />}
        {blocks.isError && <Failed error={blocks.error} retry={() => void blocks.refetch()} />}
        {blocks.data?.length === 0 && (
          <Empty title="No block yet.">
            <Link to={`/athletes/${athleteId}/generate`}>Generate one</Link>, write one by hand, or apply a template
            under <Link to="/programmes">Programmes</Link>.
          </Empty>
        )}
        <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, maxWidth: 640 }}>
          {blocks.data?.map((b) => (
            <Box component="li" key={b.id} sx={{ py: 2, borderBottom: 1, borderColor: "divider" }}>
              <Link to={`/athletes/${athleteId}/blocks/${b.id}`}>{b.name}</Link>
              <Typography variant="body2" color="textSecondary">
                {plural(b.weeks, "week")} from {dayFull(b.start)}
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
