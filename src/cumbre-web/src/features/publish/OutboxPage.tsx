import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { dayFull } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { messageQuery, outboxQuery } from "../../shared/blocks/publishing";
import { say } from "../../words/publish";

/** The messages that would have been sent: they lie in the data folder, and no mail leaves this machine. */
export default function OutboxPage() {
  const { id } = useParams();
  const list = useQuery(outboxQuery);
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 1100 }}>
      <Typography variant="h1">{say("outbox")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 3 }}>
        {say("aStandInForSendingMessagesAre")}
      </Typography>
      {list.isPending && <Loading />}
      {list.isError && <Failed error={list.error} retry={() => void list.refetch()} />}
      {list.data?.length === 0 && <Empty title={say("noMessageYet")}>{say("publishABlockThenWriteAWeek")}</Empty>}
      {list.data && list.data.length > 0 && (
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "360px minmax(0,1fr)" }, gap: 5 }}>
          <Box component="ul" aria-label={say("messages")} sx={{ listStyle: "none", m: 0, p: 0 }}>
            {list.data.map((m) => (
              <Box
                component="li"
                key={m.id}
                sx={{ py: 2, borderTop: 1, borderColor: "divider", fontSize: 13, lineHeight: "18px" }}
              >
                <Box
                  component={Link}
                  to={`/outbox/${m.id}`}
                  aria-current={m.id === id ? "true" : undefined}
                  sx={{ fontWeight: m.id === id ? 700 : 400, color: "primary.main" }}
                >
                  {m.subject}
                </Box>
                <Box sx={{ color: "text.secondary" }}>
                  {m.to}, {dayFull(m.at.slice(0, 10))}
                </Box>
              </Box>
            ))}
          </Box>
          {id && <Message key={id} id={id} />}
        </Box>
      )}
    </Box>
  );
}

function Message({ id }: { id: string }) {
  const message = useQuery(messageQuery(id));
  if (message.isPending) return <Loading />;
  if (message.isError) return <Failed error={message.error} retry={() => void message.refetch()} />;
  const m = message.data;
  return (
    <Box component="article" aria-label={m.subject} sx={{ minWidth: 0 }}>
      <Typography variant="h2">{m.subject}</Typography>
      <Typography variant="body2" color="textSecondary">
        {say("fromTo", { from: m.from, to: m.to, dayFull: dayFull(m.at.slice(0, 10)) })}
      </Typography>
      <Box
        component="pre"
        tabIndex={0}
        sx={(t) => ({
          font: "inherit",
          fontSize: 14,
          whiteSpace: "pre-wrap",
          overflowWrap: "anywhere",
          bgcolor: "background.paper",
          border: `1px solid ${t.vars.palette.line2}`,
          p: 4,
          my: 3,
        })}
      >
        {m.text}
      </Box>
      <Typography variant="body2">
        {say("withIt", { attachments: m.attachments.join(", ") })}{" "}
        <a href={`/api/outbox/${m.id}/message.eml`} download>
          {say("theFile")}
        </a>
      </Typography>
    </Box>
  );
}
