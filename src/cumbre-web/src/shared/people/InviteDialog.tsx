import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../api/client";
import type { InvitationRequest } from "../api/types";
import { Field } from "../ui/Field";
import { messageOf } from "../ui/states";
import { say } from "../../words/people";
import { CoachReach, type Given } from "./CoachReach";
import { MadeLinkDialog } from "./MadeLink";
import { useInvite } from "./usePeople";

/** For whom a link is asked: somebody of an athlete's, or an owner or coach. */
export type Invited = { role: "athlete" | "guardian"; athleteId: string; athlete: string } | { role: "coach" };

/** Asks for what an invitation needs, and shows the link that came of it. */
export function InviteDialog({ invited, onClose }: { invited: Invited; onClose: () => void }) {
  const invite = useInvite();
  const isStaff = invited.role === "coach";
  const [role, setRole] = useState<string>(invited.role);
  const [name, setName] = useState("");
  const [to, setTo] = useState("");
  const [until, setUntil] = useState("");
  const [given, setGiven] = useState<Given>({ someOnly: false, athletes: [], groups: [] });
  const fault = (path: string) => (invite.error instanceof Problem ? invite.error.fieldMessage(path) : undefined);
  const shown = isStaff ? name : invited.role === "athlete" ? invited.athlete : name;
  if (invite.data) return <MadeLinkDialog name={shown} link={invite.data} onClose={onClose} />;
  const body: InvitationRequest = {
    role,
    name: invited.role === "athlete" ? null : name,
    athleteId: isStaff ? null : invited.athleteId,
    until: until || null,
    to: to.trim() || null,
    ...given,
  };
  const fields = ["name", "until", "to", "athletes", "groups"];
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          invite.mutate(body);
        }}
      >
        <DialogTitle>
          {isStaff
            ? say("inviteTitle")
            : invited.role === "athlete"
              ? say("linkFor", { name: invited.athlete })
              : say("inviteGuardianOf", { name: invited.athlete })}
        </DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 4, pt: "8px !important" }}>
          {isStaff && (
            <TextField select label={say("role")} value={role} onChange={(e) => setRole(e.target.value)}>
              <MenuItem value="coach">{say("coach")}</MenuItem>
              <MenuItem value="owner">{say("owner")}</MenuItem>
            </TextField>
          )}
          {invited.role !== "athlete" && (
            <Field
              label={say("name")}
              value={name}
              onChange={(e) => setName(e.target.value)}
              problem={fault("name")}
              autoFocus
            />
          )}
          {invited.role === "guardian" && (
            <Field
              label={say("lastDay")}
              type="date"
              value={until}
              onChange={(e) => setUntil(e.target.value)}
              problem={fault("until")}
              help={say("lastDayHelp")}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          )}
          {isStaff && role === "coach" && <CoachReach given={given} onChange={setGiven} />}
          <Field
            label={say("address")}
            type="email"
            value={to}
            onChange={(e) => setTo(e.target.value)}
            problem={fault("to")}
            help={say("addressHelp")}
          />
          {invite.isError && !fields.some((f) => fault(f)) && (
            <Typography color="error" role="alert">
              {messageOf(invite.error)}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{say("cancel")}</Button>
          <Button type="submit" variant="contained" color="secondary" disabled={invite.isPending}>
            {say("makeLink")}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
