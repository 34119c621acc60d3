import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { say } from "../../words/people";

/** Where a guardian of several comes in. */
export default function WardsPage() {
  const { wards } = useSignedIn().account;
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Typography variant="h1" sx={{ mb: 3 }}>
        {say("yourChildren")}
      </Typography>
      {wards.length === 0 && <Typography color="textSecondary">{say("noChildren")}</Typography>}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {wards.map((w) => (
          <Box component="li" key={w.id} sx={{ py: 2, borderTop: 1, borderColor: "divider" }}>
            <Link to={`/athletes/${w.id}`}>{w.name}</Link>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
