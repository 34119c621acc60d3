import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useMatch, useNavigate } from "react-router";
import { useSignedIn } from "../shared/account/useMe";
import { rosterQuery } from "../shared/athletes/useRoster";
import { programmesQuery } from "../shared/blocks/queries";
import { isKey } from "../shared/keys/keymap";
import { useOffered } from "../shared/keys/commands";
import { laddersQuery, movementsQuery } from "../shared/ladders/useLadders";
import { say } from "../words/app";
import { searchOf, targetsOf } from "./targets";

/** Goes to an athlete, a block, a ladder, a movement or a page, or does what the page offers, by a few typed letters. */
export default function CommandPalette({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const { account, isCoach, isOwner } = useSignedIn();
  const commands = useOffered();
  const athleteId = useMatch("/athletes/:athleteId/*")?.params.athleteId;
  const roster = useQuery({ ...rosterQuery(), enabled: open && isCoach });
  const programmes = useQuery({ ...programmesQuery, enabled: open && isCoach });
  const ladders = useQuery({ ...laddersQuery, enabled: open });
  const movements = useQuery({ ...movementsQuery, enabled: open });
  const search = useMemo(
    () =>
      searchOf(
        targetsOf({
          isCoach,
          isOwner,
          ownId: account.athleteId,
          athleteId: athleteId === "new" ? undefined : athleteId,
          commands,
          roster: roster.data ?? [],
          programmes: programmes.data ?? [],
          ladders: ladders.data ?? [],
          movements: movements.data ?? [],
        }),
      ),
    [
      isCoach,
      isOwner,
      account.athleteId,
      athleteId,
      commands,
      roster.data,
      programmes.data,
      ladders.data,
      movements.data,
    ],
  );
  // Half a list would highlight what is no longer the first of the whole, and Enter would go there.
  const reading = [roster, programmes, ladders, movements].some((list) => list.isLoading);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { "aria-label": say("jump"), "aria-labelledby": undefined } }}
      sx={{ "& .MuiDialog-container": { alignItems: "flex-start" } }}
    >
      <Autocomplete
        sx={{ p: 3, pt: 4 }}
        options={reading ? [] : search("")}
        filterOptions={(_, { inputValue }) => (reading ? [] : search(inputValue))}
        getOptionKey={(target) => target.key}
        renderOption={({ key, ...option }, target) => (
          <Box component="li" key={key} {...option} sx={{ display: "flex", gap: 3 }}>
            {target.label}
            <Box component="span" sx={{ ml: "auto", color: "text.secondary", fontSize: 13, flex: "none" }}>
              {target.group}
            </Box>
          </Box>
        )}
        openOnFocus
        // One press closes it all, not the list first.
        onKeyDown={(e) => {
          if (!isKey(e, "close")) return;
          (e as { defaultMuiPrevented?: boolean }).defaultMuiPrevented = true;
          onClose();
        }}
        autoHighlight
        loading={reading}
        noOptionsText={say("nobodyAndNothingByThatName")}
        onChange={(_, target) => {
          if (!target) return;
          onClose();
          if (target.to) void navigate(target.to);
          // The palette gives the focus back first, so that a dialog that opens now can take it.
          else setTimeout(() => target.run?.());
        }}
        renderInput={(params) => (
          <TextField {...params} autoFocus placeholder={say("nameOfAnAthleteALadderOr")} label={say("jumpTo")} />
        )}
      />
    </Dialog>
  );
}
