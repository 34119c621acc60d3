import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { useSignedIn, useUnit } from "../account/useMe";
import { api, ask } from "../api/client";
import type { Decision, LoggedSet, MassUnit, Session, SetRequest } from "../api/types";
import { headline } from "../decisions/wording";
import { writtenAdded, listed } from "../ui/format";
import { say } from "../../words/session";

const textOf = (d: Decision, unit: MassUnit) => {
  const say = headline(d, unit);
  return say.figure ? `${say.before} ${say.figure}` : say.before;
};

/** What a correction would change on the Desk, told before it is saved. */
export function WhatChanges({
  session,
  setId,
  request,
  was,
}: {
  session: Session;
  setId: string;
  request: SetRequest;
  was: LoggedSet;
}) {
  const { isCoach } = useSignedIn();
  const unit = useUnit();
  const asked = useDeferredValue(request);
  const preview = useQuery({
    queryKey: ["correction", session.id, setId, JSON.stringify(asked)],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/sessions/{sessionId}/sets/{setId}/preview", {
          params: { path: { athleteId: session.athleteId, sessionId: session.id, setId } },
          body: asked,
          signal,
        }),
      ),
    enabled: isCoach,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const { gone = [], come = [] } = preview.data ?? {};
  return (
    <Typography variant="body2" component="div" color="textSecondary" role="status" sx={{ width: "100%" }}>
      {say("loggedBeforeAt", {
        figures: listed(
          say("at", {
            amount: was.seconds === null ? String(was.reps) : `${was.seconds} s`,
            added: writtenAdded(was.added, unit),
          }),
          was.form === "Broken" && say("formBroke"),
          was.pain !== null && was.pain > 0 && say("painOf102", { pain: was.pain }),
        ),
      })}{" "}
      {preview.data &&
        (gone.length + come.length === 0
          ? say("savingChangesNoDecision")
          : [
              gone.length > 0 && say("savingWithdraws", { gone: gone.map((d) => textOf(d, unit)).join("; ") }),
              come.length > 0 && say("itProposes", { come: come.map((d) => textOf(d, unit)).join("; ") }),
            ]
              .filter(Boolean)
              .join(" "))}
    </Typography>
  );
}
