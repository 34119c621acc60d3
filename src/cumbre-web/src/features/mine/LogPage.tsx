import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useInfiniteQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { LogSession } from "../../shared/api/types";
import { setsText } from "../../shared/run/runText";
import { useKept } from "../../shared/run/useKept";
import { dayFull, listed } from "../../shared/ui/format";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { say } from "../../words/mine";
import { Frame } from "./Frame";
import { logQuery } from "./queries";

/** What an athlete did, session by session; a session is opened to correct it. */
export default function LogPage() {
  const athleteId = useSignedIn().account.athleteId!;
  const pages = useInfiniteQuery(logQuery(athleteId));
  const { data, at } = useKept("log", pages.data?.pages);
  if (!data) return pages.isError ? <FailedPage error={pages.error} retry={() => void pages.refetch()} /> : <Loading />;
  const sessions = data.flatMap((p) => p.sessions);
  return (
    <Frame title={say("log")} copyAt={at}>
      {sessions.length === 0 ? (
        <Empty title={say("nothingLogged")}>{say("nothingLoggedHelp")}</Empty>
      ) : (
        <>
          <Typography color="textSecondary">{say("logHelp")}</Typography>
          <Box component="ol" aria-label={say("log")} sx={{ listStyle: "none", m: 0, p: 0, display: "grid", gap: 4 }}>
            {sessions.map((s) => (
              <Session key={s.id} session={s} athleteId={athleteId} />
            ))}
          </Box>
        </>
      )}
      {pages.hasNextPage && (
        <Button
          variant="outlined"
          sx={{ minHeight: 48 }}
          disabled={pages.isFetchingNextPage}
          onClick={() => void pages.fetchNextPage()}
        >
          {say("older")}
        </Button>
      )}
    </Frame>
  );
}

function Session({ session, athleteId }: { session: LogSession; athleteId: string }) {
  const unit = useUnit();
  const only = session.items.length === 1 ? session.items[0]!.name : "";
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: "line2", pt: 2 }}>
      <Box
        component={Link}
        to={`/athletes/${athleteId}/sessions/${session.id}`}
        sx={{ color: "inherit", display: "block", py: 2, fontSize: 18, lineHeight: "24px", fontWeight: 600 }}
      >
        {listed(dayFull(session.day), session.title || (only ? "" : say("session")))}
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: 15 }}>
        {listed(
          session.status === "Started" && say("notFinished"),
          session.easy && say("deload"),
          session.effort !== null && say("effort", { effort: session.effort }),
        )}
      </Typography>
      <Box
        component="ul"
        aria-label={session.title || say("session")}
        sx={{ listStyle: "none", m: 0, p: 0, fontSize: 16, lineHeight: "22px" }}
      >
        {session.items.map((item) => (
          <Box
            component="li"
            key={item.id}
            sx={{
              display: "grid",
              gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)",
              columnGap: 3,
              py: 1.5,
              borderTop: 1,
              borderColor: "divider",
            }}
          >
            <span>{item.name}</span>
            <Box sx={{ textAlign: "right" }}>
              <b>{item.sets.length > 0 ? setsText(item.sets, unit) : item.skipped ? "" : say("notDone")}</b>
              {item.skipped && (
                <Box component="span" sx={{ display: "block", color: "text.secondary" }}>
                  {item.skipped}
                </Box>
              )}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
