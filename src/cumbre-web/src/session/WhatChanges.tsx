import Typography from "@mui/material/Typography";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { useSignedIn, useUnit } from "../accounts/useMe";
import { api, ask } from "../api/client";
import type { Decision, LoggedSet, Session, SetRequest } from "../api/types";
import { headline } from "../desk/wording";
import { writtenAdded } from "../ui/format";

const textOf = (d: Decision) => {
  const say = headline(d);
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
      Logged before: {was.seconds === null ? was.reps : `${was.seconds} s`} at {writtenAdded(was.added, unit)}
      {was.form === "Broken" && ", form broke down"}
      {was.pain ? `, pain ${was.pain} of 10` : ""}. Both values are kept.{" "}
      {preview.data &&
        (gone.length + come.length === 0
          ? "Saving changes no decision."
          : [
              gone.length > 0 && `Saving withdraws: ${gone.map(textOf).join("; ")}.`,
              come.length > 0 && `It proposes: ${come.map(textOf).join("; ")}.`,
            ]
              .filter(Boolean)
              .join(" "))}
    </Typography>
  );
}
