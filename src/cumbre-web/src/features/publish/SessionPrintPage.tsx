import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import type { Session } from "../../shared/api/types";
import { Paper } from "../../shared/paper/Paper";
import { SessionSheet, type Sheet } from "../../shared/paper/SessionSheet";
import { FailedPage, Loading } from "../../shared/ui/states";
import { sessionQuery } from "../../shared/sessions/useSession";
import { say as word } from "../../words/common";

/** The sheet of one session, whether it belongs to a block or stands alone. */
export default function PrintPage() {
  const { athleteId = "", sessionId = "" } = useParams();
  const session = useQuery(sessionQuery(athleteId, sessionId));
  const { club } = useSignedIn();
  if (session.isPending) return <Loading />;
  if (session.isError) return <FailedPage error={session.error} retry={() => void session.refetch()} />;
  return (
    <Paper back={`/athletes/${athleteId}/sessions/${sessionId}`}>
      <SessionSheet sheet={sheetOf(session.data, club)} />
    </Paper>
  );
}

function sheetOf(session: Session, club: string): Sheet {
  const cautions = session.items.flatMap((i) => i.plan?.cautions ?? []);
  return {
    club,
    athlete: session.athleteName,
    unit: session.unit,
    edition: "",
    day: session.day,
    title: session.title,
    week: session.easy ? word("deload") : "",
    seconds: session.durationSeconds,
    warmUp: session.warmUp,
    coolDown: session.coolDown,
    items: session.items.map((i) => ({ ...i, name: i.movement.name })),
    cautions: cautions.filter((c, i) => cautions.findIndex((x) => x.id === c.id) === i),
    kept: session.overrideReason,
  };
}
