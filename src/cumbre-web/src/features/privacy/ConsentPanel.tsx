import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import FormHelperText from "@mui/material/FormHelperText";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSignedIn } from "../../shared/account/useMe";
import { Problem } from "../../shared/api/client";
import type { ConsentAs, Consents } from "../../shared/api/types";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { Words } from "../../shared/privacy/Words";
import { announce } from "../../shared/ui/announce";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { Field } from "../../shared/ui/Field";
import { dayFull, moment } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { say } from "../../words/privacy";
import { consentsQuery, useGiveConsent, useWithdrawConsent } from "./queries";

/** The text, and whether somebody has agreed to it: given and withdrawn in the same place. */
export function ConsentPanel({ athleteId }: { athleteId: string }) {
  const consents = useQuery(consentsQuery(athleteId));
  return (
    <Box component="section" aria-label={say("consent")}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {say("consent")}
      </Typography>
      {consents.isPending && <Loading rows={2} />}
      {consents.isError && <Failed error={consents.error} retry={() => void consents.refetch()} />}
      {consents.data && <Panel athleteId={athleteId} consents={consents.data} />}
    </Box>
  );
}

const asWord: Record<ConsentAs, string> = {
  Athlete: say("asAthlete"),
  Guardian: say("asGuardian"),
  Paper: say("asPaper"),
};

function Panel({ athleteId, consents: c }: { athleteId: string; consents: Consents }) {
  const [giving, setGiving] = useState(false);
  const [asking, setAsking] = useState(false);
  const withdraw = useWithdrawConsent(athleteId);
  const { isCoach } = useSignedIn();
  const isOld = c.holds && c.consents.filter((x) => !x.withdrawnAt).every((x) => x.textVersion < c.text.version);
  return (
    <>
      <Typography sx={{ display: "flex", gap: 2, alignItems: "center", mb: 2 }}>
        <StatusShape status={c.holds && !isOld ? "won" : "caution"} title="" />
        {c.withdrawnAt
          ? say("withdrawnOn", { day: moment(c.withdrawnAt) })
          : say(isOld ? "consentOld" : c.holds ? "consentHolds" : "noConsent")}
      </Typography>
      <Rows label={say("consent")}>
        {c.consents.map((x) => (
          <AccountRow
            key={x.id}
            title={x.name}
            muted={x.withdrawnAt !== null}
            note={
              x.withdrawnAt
                ? say("consentRowWithdrawn", {
                    as: asWord[x.as],
                    day: dayFull(x.day),
                    version: x.textVersion,
                    withdrawn: moment(x.withdrawnAt),
                  })
                : say("consentRow", { as: asWord[x.as], day: dayFull(x.day), version: x.textVersion })
            }
          />
        ))}
      </Rows>
      {giving ? (
        <Give athleteId={athleteId} consents={c} onClose={() => setGiving(false)} />
      ) : (
        <Box sx={{ display: "flex", gap: 2, mt: 3, flexWrap: "wrap" }}>
          <Button size="small" onClick={() => setGiving(true)}>
            {say(isCoach ? "recordPaper" : "giveConsent")}
          </Button>
          {c.holds && (
            <Button size="small" onClick={() => setAsking(true)}>
              {say("withdraw")}
            </Button>
          )}
        </Box>
      )}
      {asking && (
        <ConfirmDialog
          title={say("withdrawTitle")}
          verb={say("withdraw")}
          busy={withdraw.isPending}
          onConfirm={() =>
            withdraw.mutate(undefined, {
              onSuccess: () => {
                setAsking(false);
                announce(say("withdrawnNow"));
              },
            })
          }
          onClose={() => setAsking(false)}
        >
          {say("withdrawText")}
          {withdraw.isError && (
            <Typography color="error" role="alert">
              {messageOf(withdraw.error)}
            </Typography>
          )}
        </ConfirmDialog>
      )}
    </>
  );
}

function Give({ athleteId, consents: c, onClose }: { athleteId: string; consents: Consents; onClose: () => void }) {
  const { account, today, isCoach } = useSignedIn();
  const [id] = useState(newId);
  const [name, setName] = useState(isCoach ? "" : account.name);
  const [day, setDay] = useState(today);
  const [agreed, setAgreed] = useState(false);
  const [tried, setTried] = useState(false);
  const give = useGiveConsent(athleteId);
  const fault = (path: string) => (give.error instanceof Problem ? give.error.fieldMessage(path) : undefined);
  return (
    <Box
      component="form"
      noValidate
      sx={{ display: "grid", gap: 3, mt: 3, maxWidth: 640 }}
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (!agreed) return;
        give.mutate(
          { id, name, textVersion: c.text.version, day: isCoach ? day : null },
          {
            onSuccess: () => {
              announce(say("consentSaved"));
              onClose();
            },
          },
        );
      }}
    >
      {!isCoach && (
        <Box
          tabIndex={0}
          role="region"
          aria-label={say("text")}
          sx={(t) => ({ maxHeight: 320, overflow: "auto", border: `1px solid ${t.vars.palette.line2}`, px: 4, pb: 2 })}
        >
          <Words text={c.text.text} />
        </Box>
      )}
      <Field
        label={say(isCoach ? "signedBy" : "yourName")}
        value={name}
        onChange={(e) => setName(e.target.value)}
        problem={fault("name")}
      />
      {isCoach && (
        <TextField
          label={say("signedOn")}
          type="date"
          value={day}
          onChange={(e) => setDay(e.target.value)}
          error={fault("day") !== undefined}
          helperText={fault("day")}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 220 }}
        />
      )}
      <Box>
        <FormControlLabel
          control={<Checkbox checked={agreed} onChange={(e) => setAgreed(e.target.checked)} />}
          label={say(isCoach ? "paperConfirm" : "iHaveRead")}
        />
        {tried && !agreed && <FormHelperText error>{say("tickFirst")}</FormHelperText>}
      </Box>
      {give.isError && !fault("name") && !fault("day") && (
        <Typography color="error" role="alert">
          {messageOf(give.error)}
        </Typography>
      )}
      <Box sx={{ display: "flex", gap: 2 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={give.isPending}>
          {say(isCoach ? "recordPaper" : "giveConsent")}
        </Button>
        <Button onClick={onClose}>{say("cancel")}</Button>
      </Box>
    </Box>
  );
}
