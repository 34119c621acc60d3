import Autocomplete from "@mui/material/Autocomplete";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { rosterQuery } from "../roster/useRoster";

interface Target {
  label: string;
  group: string;
  to: string;
}

const places: Target[] = [
  { label: "Desk", group: "Places", to: "/" },
  { label: "Roster", group: "Places", to: "/roster" },
  { label: "New athlete", group: "Places", to: "/athletes/new" },
];

/** Ctrl K: jump to an athlete or a place by typing a few letters. */
export default function CommandPalette({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const roster = useQuery({ ...rosterQuery, enabled: open });
  const targets = [
    ...(roster.data ?? []).map((a) => ({ label: a.name, group: "Athletes", to: `/athletes/${a.id}` })),
    ...places,
  ];
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="xs"
      aria-label="Jump"
      sx={{ "& .MuiDialog-container": { alignItems: "flex-start" } }}
    >
      <Autocomplete
        options={targets}
        groupBy={(t) => t.group}
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
          <TextField
            {...params}
            autoFocus
            placeholder="Name of an athlete or a place"
            aria-label="Jump to"
            sx={{ p: 3 }}
          />
        )}
      />
    </Dialog>
  );
}
