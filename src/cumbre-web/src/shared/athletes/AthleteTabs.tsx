import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { NavLink } from "react-router";
import { useSignedIn } from "../account/useMe";
import { say } from "../../words/athletes";

/** The pages of one athlete. */
export function AthleteTabs({ athleteId }: { athleteId: string }) {
  const { isCoach } = useSignedIn();
  return (
    <Box
      component="nav"
      aria-label={say("athlete")}
      sx={{ display: "flex", gap: 1, px: { xs: 3, sm: 5 }, borderBottom: 1, borderColor: "divider", overflowX: "auto" }}
    >
      <Tab to={`/athletes/${athleteId}`} label={say("overview")} end />
      <Tab to={`/athletes/${athleteId}/movement`} label={say("movements")} />
      <Tab to={`/athletes/${athleteId}/trends`} label={say("trends")} />
      <Tab to={`/athletes/${athleteId}/ladders`} label={say("ladders")} />
      <Tab to={`/athletes/${athleteId}/programme`} label={say("programme")} />
      {isCoach && <Tab to={`/athletes/${athleteId}/intake`} label={say("intake")} />}
      {isCoach && <Tab to={`/athletes/${athleteId}/profile`} label={say("profileAndKit")} />}
      {isCoach && <Tab to={`/athletes/${athleteId}/kit`} label={say("atHome")} />}
      <Tab to={`/athletes/${athleteId}/privacy`} label={say("privacy")} />
    </Box>
  );
}

function Tab({ to, label, end = false }: { to: string; label: string; end?: boolean }) {
  return (
    <ButtonBase
      component={NavLink}
      to={to}
      end={end}
      sx={{
        px: 2,
        flex: "none",
        minHeight: 36,
        fontSize: 13,
        color: "text.secondary",
        borderBottom: "3px solid transparent",
        borderTop: "3px solid transparent",
        "&.active": { color: "text.primary", fontWeight: 600, borderBottomColor: "primary.main" },
      }}
    >
      {label}
    </ButtonBase>
  );
}
