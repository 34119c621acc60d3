import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { useSignedIn, useUnit } from "../account/useMe";
import { api, ask } from "../api/client";
import type { Decision, LoggedSet, MassUnit, Session, SetRequest } from "../api/types";
import { headline } from "../decisions/wording";
import { moment, writtenAdded, listed } from "../ui/format";
import { say } from "../../words/session";

const figuresOf = (set: LoggedSet, unit: MassUnit) =>
  listed(
    say("at", {
      amount: set.seconds === null ? String(set.reps) : `${set.seconds} s`,
      added: writtenAdded(set.added, unit),
    }),
    set.form === "Broken" && say("formBroke"),
    set.pain !== null && set.pain > 0 && say("painOf102", { pain: set.pain }),
  );

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
  const history = useQuery({
    queryKey: ["set-history", session.id, was.id],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/sessions/{sessionId}/sets/{setId}/history", {
          params: { path: { athleteId: session.athleteId, sessionId: session.id, setId: was.id } },
          signal,
        }),
      ),
    retry: false,
  });
  return (
    <Typography variant="body2" component="div" color="textSecondary" role="status" sx={{ width: "100%" }}>
      {history.data ? (
        <>
          <Box component="ol" aria-label={say("history")} sx={{ listStyle: "none", m: 0, p: 0 }}>
            {history.data.map((v) => (
              <li key={v.set.id}>
                {say("version", { figures: figuresOf(v.set, unit), by: v.by ?? say("somebody"), at: moment(v.at) })}
              </li>
            ))}
          </Box>
          {say("historyIsKept")}
        </>
      ) : (
        say("loggedBeforeAt", { figures: figuresOf(was, unit) })
      )}{" "}
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
