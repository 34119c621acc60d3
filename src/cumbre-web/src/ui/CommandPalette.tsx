import Box from "@mui/material/Box";
import Autocomplete from "@mui/material/Autocomplete";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { laddersQuery } from "../ladders/useLadders";
import { rosterQuery } from "../roster/useRoster";

interface Target {
  label: string;
  group: string;
  to: string;
}

const places: Target[] = [
  { label: "Desk", group: "place", to: "/" },
  { label: "Roster", group: "place", to: "/roster" },
  { label: "Test days", group: "place", to: "/test-days" },
  { label: "New test day", group: "place", to: "/test-days/new" },
  { label: "Ladders", group: "place", to: "/ladders" },
  { label: "Movements", group: "place", to: "/ladders?show=movements" },
  { label: "Schools", group: "place", to: "/ladders?show=schools" },
  { label: "Kit of the hall", group: "place", to: "/kit" },
  { label: "New athlete", group: "place", to: "/athletes/new" },
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
      slotProps={{ paper: { "aria-label": "Jump", "aria-labelledby": undefined } }}
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
        noOptionsText="Nobody and nothing by that name"
        onChange={(_, target) => {
          if (!target) return;
          onClose();
          void navigate(target.to);
        }}
        renderInput={(params) => (
          <TextField {...params} autoFocus placeholder="Name of an athlete, a ladder or a place" label="Jump to" />
        )}
      />
    </Dialog>
  );
}
