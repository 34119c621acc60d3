import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { AuditEntry, AuditKind } from "../../shared/api/types";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { listed, moment } from "../../shared/ui/format";
import { Failed, Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { say } from "../../words/accounts";

const words: Partial<Record<AuditKind, (by: string | null) => string>> = {
  SignedIn: () => say("eventSignedIn"),
  SignInFailed: () => say("eventSignInFailed"),
  PasswordChanged: () => say("eventPasswordChanged"),
  PasswordRecovered: () => say("eventPasswordRecovered"),
  RecoveryLinkMade: (by) => (by ? say("eventRecoveryLinkMade", { by }) : say("eventRecoveryLinkAtMachine")),
  SecondFactorOn: () => say("eventSecondFactorOn"),
  SecondFactorOff: () => say("eventSecondFactorOff"),
  RecoveryCodeUsed: () => say("eventRecoveryCodeUsed"),
  RoleChanged: (by) => say("eventRoleChanged", { by: by ?? "" }),
};

/** From where: only a sign-in says it. */
const whence = (e: AuditEntry) => (/^SignIn|^SignedIn|^RecoveryCode/.test(e.kind) ? e.after : null);

/** What happened to one's own account, so that a stranger is noticed. */
export function Lately() {
  const events = useQuery({
    queryKey: ["events"],
    queryFn: ({ signal }) => ask(api.GET("/api/me/events", { signal })),
  });
  return (
    <Box component="section" aria-label={say("lately")}>
      <Typography variant="h2">{say("lately")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {say("latelyNote")}
      </Typography>
      {events.isPending && <Loading rows={2} />}
      {events.isError && <Failed error={events.error} retry={() => void events.refetch()} />}
      <Rows label={say("lately")}>
        {events.data?.map((e) => (
          <AccountRow
            key={e.seq}
            title={
              <>
                {e.kind === "SignInFailed" && <StatusShape status="caution" title="" />} {words[e.kind]?.(e.by)}
              </>
            }
            note={listed(moment(e.at), whence(e))}
          />
        ))}
      </Rows>
    </Box>
  );
}
