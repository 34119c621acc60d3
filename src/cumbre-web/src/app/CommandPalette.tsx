import Box from "@mui/material/Box";
import Autocomplete from "@mui/material/Autocomplete";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { laddersQuery } from "../shared/ladders/useLadders";
import { rosterQuery } from "../shared/athletes/useRoster";
import { say } from "../words/app";

interface Target {
  label: string;
  group: string;
  to: string;
}

const places: Target[] = [
  { label: say("desk"), group: "place", to: "/" },
  { label: say("roster"), group: "place", to: "/roster" },
  { label: say("testDays"), group: "place", to: "/test-days" },
  { label: say("newTestDay"), group: "place", to: "/test-days/new" },
  { label: say("ladders"), group: "place", to: "/ladders" },
  { label: say("movements"), group: "place", to: "/ladders?show=movements" },
  { label: say("schools"), group: "place", to: "/ladders?show=schools" },
  { label: say("kitOfTheHall"), group: "place", to: "/kit" },
  { label: say("newAthlete"), group: "place", to: "/athletes/new" },
];

/** Ctrl K: jump to an athlete, a ladder or a place by typing a few letters. */
export default function CommandPalette({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const roster = useQuery({ ...rosterQuery(), enabled: open });
  const ladders = useQuery({ ...laddersQuery, enabled: open });
  const targets = [
    ...(roster.data ?? []).map((a) => ({ label: a.name, group: "athlete", to: `/athletes/${a.id}` })),
    ...(ladders.data ?? []).map((l) => ({ label: l.name, group: "ladder", to: `/ladders/${l.slug}` })),
    ...places,
  ];
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="xs"
      slotProps={{ paper: { "aria-label": say("jump"), "aria-labelledby": undefined } }}
      sx={{ "& .MuiDialog-container": { alignItems: "flex-start" } }}
    >
      <Autocomplete
        sx={{ p: 3, pt: 4 }}
        options={targets}
        getOptionKey={(target) => target.to}
        renderOption={({ key, ...option }, target) => (
          <Box component="li" key={key} {...option} sx={{ display: "flex", gap: 3 }}>
            {target.label}
            <Box component="span" sx={{ ml: "auto", color: "text.secondary", fontSize: 13 }}>
              {target.group}
            </Box>
          </Box>
        )}
        openOnFocus
        autoHighlight
        loading={roster.isPending}
        noOptionsText={say("nobodyAndNothingByThatName")}
        onChange={(_, target) => {
          if (!target) return;
          onClose();
          void navigate(target.to);
        }}
        renderInput={(params) => (
          <TextField {...params} autoFocus placeholder={say("nameOfAnAthleteALadderOr")} label={say("jumpTo")} />
        )}
      />
    </Dialog>
  );
}
