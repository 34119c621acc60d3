import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { Decision } from "../api/types";
import { announce } from "../ui/announce";
import { say } from "../../words/decisions";

export const deskQuery = queryOptions({
  queryKey: ["desk"],
  queryFn: ({ signal }) => ask(api.GET("/api/desk", { signal })),
});

interface Accept {
  id: string;
  line?: string | null;
  reason?: string | null;
  also?: string[];
}

/** Accept, put off, undo, clear: each changes the Desk, the athlete and the session, so all are read again. */
export function useDecide() {
  const queries = useQueryClient();
  const afterwards = { onSettled: () => queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "me" }) };
  const tell = (what: "announceAccepted" | "announcePostponed" | "announceUndone") => ({
    onSuccess: ({ decision: d }: { decision: Decision }) =>
      announce(say(what, { athlete: d.athleteName, movement: d.movementName })),
    ...afterwards,
  });
  return {
    accept: useMutation({
      mutationFn: ({ id, line = null, reason = null, also = [] }: Accept) =>
        ask(api.POST("/api/decisions/{id}/accept", { params: { path: { id } }, body: { line, reason, also } })),
      ...tell("announceAccepted"),
    }),
    together: useMutation({
      mutationFn: (ids: string[]) => ask(api.POST("/api/decisions/accept", { body: { ids } })),
      ...afterwards,
    }),
    later: useMutation({
      mutationFn: (id: string) =>
        ask(api.POST("/api/decisions/{id}/later", { params: { path: { id } }, body: { until: null } })),
      ...tell("announcePostponed"),
    }),
    undo: useMutation({
      mutationFn: (id: string) => ask(api.POST("/api/decisions/{id}/undo", { params: { path: { id } } })),
      ...tell("announceUndone"),
    }),
    clear: useMutation({
      mutationFn: ({ athleteId, place, reason }: { athleteId: string; place: string; reason: string }) =>
        ask(
          api.POST("/api/athletes/{athleteId}/stops/clear", {
            params: { path: { athleteId } },
            body: { place, reason },
          }),
        ),
      ...afterwards,
    }),
  };
}
