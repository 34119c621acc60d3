import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useMe } from "../../shared/account/useMe";
import { Problem } from "../../shared/api/client";
import type { PrivacyText, Retention } from "../../shared/api/types";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { textQuery } from "../../shared/privacy/textQuery";
import { Words } from "../../shared/privacy/Words";
import { announce } from "../../shared/ui/announce";
import { Field } from "../../shared/ui/Field";
import { dayFull, moment } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/privacy";
import { retentionQuery, usePutRetention, usePutText } from "./queries";

/** What the club tells people of their data; the owner adapts it, and says how long people are kept. */
export default function PrivacyPage() {
  const text = useQuery(textQuery);
  const isOwner = useMe().data?.account?.role === "owner";
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 920, display: "grid", gap: 6 }}>
      <Typography variant="h1">{say("privacy")}</Typography>
      {text.isPending && <Loading />}
      {text.isError && <Failed error={text.error} retry={() => void text.refetch()} />}
      {text.data && <Text text={text.data} isOwner={isOwner} />}
      {isOwner && <Kept />}
    </Box>
  );
}

function Text({ text, isOwner }: { text: PrivacyText; isOwner: boolean }) {
  const [typed, setTyped] = useState<string | null>(null);
  const put = usePutText();
  const fault = put.error instanceof Problem ? put.error.fieldMessage("text") : undefined;
  return (
    <Box component="section" aria-label={say("whatWeKeep")}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="body2" color="textSecondary" sx={{ mr: "auto" }}>
          {text.writtenAt
            ? say("textVersion", { version: text.version, day: moment(text.writtenAt) })
            : isOwner && say("shippedText")}
        </Typography>
        {isOwner && typed === null && (
          <Button size="small" onClick={() => setTyped(text.text)}>
            {say("editText")}
          </Button>
        )}
      </Box>
      {typed === null ? (
        <Words text={text.text} heading="h2" />
      ) : (
        <Box
          component="form"
          sx={{ display: "grid", gap: 3, mt: 3 }}
          onSubmit={(e) => {
            e.preventDefault();
            put.mutate({ version: text.version, text: typed }, { onSuccess: () => setTyped(null) });
          }}
        >
          <Field
            label={say("text")}
            multiline
            minRows={12}
            autoFocus
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            problem={fault}
            help={say("textHelp")}
          />
          {put.isError && !fault && (
            <Typography color="error" role="alert">
              {messageOf(put.error)}
            </Typography>
          )}
          <Box sx={{ display: "flex", gap: 2 }}>
            <Button type="submit" variant="contained" color="secondary" disabled={put.isPending}>
              {say("save")}
            </Button>
            <Button onClick={() => setTyped(null)}>{say("cancel")}</Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}

function Kept() {
  const rule = useQuery(retentionQuery);
  return (
    <Box component="section" aria-label={say("retention")}>
      <Typography variant="h2">{say("retention")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 3 }}>
        {say("retentionNote")}
      </Typography>
      {rule.isPending && <Loading rows={2} />}
      {rule.isError && <Failed error={rule.error} retry={() => void rule.refetch()} />}
      {rule.data && <Rule key={rule.data.keepMonths} rule={rule.data} />}
    </Box>
  );
}

function Rule({ rule }: { rule: Retention }) {
  const [months, setMonths] = useState(rule.keepMonths === null ? "" : String(rule.keepMonths));
  const put = usePutRetention();
  const fault = put.error instanceof Problem ? put.error.fieldMessage("keepMonths") : undefined;
  const wanted = months.trim() === "" ? null : Number(months);
  return (
    <>
      <Box
        component="form"
        noValidate
        sx={{ display: "flex", gap: 3, alignItems: "flex-start", flexWrap: "wrap" }}
        onSubmit={(e) => {
          e.preventDefault();
          put.mutate(wanted, { onSuccess: () => announce(say("ruleSaved")) });
        }}
      >
        <TextField
          label={say("months")}
          type="number"
          value={months}
          onChange={(e) => setMonths(e.target.value)}
          error={fault !== undefined}
          helperText={fault ?? say("monthsHelp")}
          slotProps={{ htmlInput: { min: 1, step: 1 } }}
          sx={{ width: 240 }}
        />
        <Button type="submit" disabled={put.isPending || wanted === rule.keepMonths}>
          {say("saveRule")}
        </Button>
        {put.isError && !fault && (
          <Typography color="error" role="alert">
            {messageOf(put.error)}
          </Typography>
        )}
      </Box>
      <Typography variant="h3" sx={{ mt: 5, mb: 1 }}>
        {say("archived")}
      </Typography>
      {rule.archived.length === 0 && <Typography color="textSecondary">{say("nobodyArchived")}</Typography>}
      <Rows label={say("archived")}>
        {rule.archived.map((p) => (
          <AccountRow
            key={p.athleteId}
            title={p.name}
            note={
              p.erasedFrom
                ? say("erasedFrom", { day: moment(p.archivedAt), erased: dayFull(p.erasedFrom) })
                : say("archivedSince", { day: moment(p.archivedAt) })
            }
          />
        ))}
      </Rows>
      <Typography variant="h3" sx={{ mt: 5, mb: 1 }}>
        {say("erasures")}
      </Typography>
      {rule.receipts.length === 0 && <Typography color="textSecondary">{say("noErasures")}</Typography>}
      <Rows label={say("erasures")}>
        {rule.receipts.map((r) => (
          <AccountRow
            key={r.at}
            title={say("erasedOn", { day: moment(r.at), byRule: String(r.byRule) })}
            note={say("erasedFigures", {
              rows: r.rows,
              messages: r.messages,
              copies: r.copies,
              mentions: r.mentions,
            })}
          />
        ))}
      </Rows>
    </>
  );
}
