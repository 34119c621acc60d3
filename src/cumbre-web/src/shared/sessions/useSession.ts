import { queryOptions, useIsMutating, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { components } from "../api/schema";
import type { Session } from "../api/types";
import { say } from "../../words/sessions";

export const sessionQuery = (athleteId: string, sessionId: string) =>
  queryOptions({
    queryKey: ["session", sessionId],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/sessions/{sessionId}", {
          params: { path: { athleteId, sessionId } },
          signal,
        }),
      ),
  });

/** What is read of sessions elsewhere. */
const readOfSessions = ["desk", "movement", "roster", "meaning", "block", "overview", "log", "logbook", "records"];

function useAfterwards() {
  const queries = useQueryClient();
  return {
    onSuccess: async (session: Session | undefined) => {
      if (session) queries.setQueryData(["session", session.id], session);
      await queries.invalidateQueries({
        predicate: (q) => readOfSessions.includes(String(q.queryKey[0])),
      });
    },
  };
}

export function usePlanSession(athleteId: string) {
  return useMutation({
    mutationFn: ({ id, ...body }: components["schemas"]["SessionRequest"] & { id: string }) =>
      ask(
        api.PUT("/api/athletes/{athleteId}/sessions/{sessionId}", {
          params: { path: { athleteId, sessionId: id } },
          body,
        }),
      ),
    ...useAfterwards(),
  });
}

export function useRemoveSession(athleteId: string) {
  return useMutation({
    mutationFn: ({ id, version }: { id: string; version: number }) =>
      ask(
        api.DELETE("/api/athletes/{athleteId}/sessions/{sessionId}", {
          params: { path: { athleteId, sessionId: id }, query: { version } },
        }),
      ),
    ...useAfterwards(),
  });
}

const logKey = (sessionId: string) => [say("logSet"), sessionId];

/** A set is on its way to the server. */
export const useIsLogging = (sessionId: string) => useIsMutating({ mutationKey: logKey(sessionId) }) > 0;

export function useLogSet(athleteId: string, sessionId: string) {
  return useMutation({
    mutationKey: logKey(sessionId),
    mutationFn: ({ id, ...body }: components["schemas"]["SetRequest"] & { id: string }) =>
      ask(
        api.PUT("/api/athletes/{athleteId}/sessions/{sessionId}/sets/{setId}", {
          params: { path: { athleteId, sessionId, setId: id } },
          body,
        }),
      ),
    ...useAfterwards(),
  });
}

/** All that changes a session beside its sets. */
export function useChangeSession(athleteId: string, sessionId: string) {
  const path = { athleteId, sessionId };
  const afterwards = useAfterwards();
  return {
    move: useMutation({
      mutationFn: (body: components["schemas"]["MoveRequest"]) =>
        ask(api.POST("/api/athletes/{athleteId}/sessions/{sessionId}/move", { params: { path }, body })),
      ...afterwards,
    }),
    split: useMutation({
      mutationFn: (body: components["schemas"]["SplitRequest"]) =>
        ask(api.POST("/api/athletes/{athleteId}/sessions/{sessionId}/split", { params: { path }, body })),
      ...afterwards,
    }),
    skip: useMutation({
      mutationFn: ({ itemId, reason }: { itemId: string; reason: string | null }) =>
        ask(
          api.PUT("/api/athletes/{athleteId}/sessions/{sessionId}/items/{itemId}/skip", {
            params: { path: { ...path, itemId } },
            body: { reason },
          }),
        ),
      ...afterwards,
    }),
    change: useMutation({
      mutationFn: ({ itemId, ...body }: components["schemas"]["ItemChange"] & { itemId: string }) =>
        ask(
          api.POST("/api/athletes/{athleteId}/sessions/{sessionId}/items/{itemId}/change", {
            params: { path: { ...path, itemId } },
            body,
          }),
        ),
      ...afterwards,
    }),
    effort: useMutation({
      mutationFn: (effort: number | null) =>
        ask(api.PUT("/api/athletes/{athleteId}/sessions/{sessionId}/effort", { params: { path }, body: { effort } })),
      ...afterwards,
    }),
    easy: useMutation({
      mutationFn: (take: boolean) =>
        ask(api.POST("/api/athletes/{athleteId}/sessions/{sessionId}/easy", { params: { path }, body: { take } })),
      ...afterwards,
    }),
  };
}

/** What the athlete says before a session, and on the morning after. */
export function useHealth(athleteId: string, sessionId: string) {
  const queries = useQueryClient();
  const afterwards = {
    onSuccess: () => queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "me" }),
  };
  return {
    checkIn: useMutation({
      mutationFn: ({ id, ...body }: components["schemas"]["CheckInDto"] & { id: string }) =>
        ask(api.PUT("/api/athletes/{athleteId}/check-ins/{id}", { params: { path: { athleteId, id } }, body })),
      ...afterwards,
    }),
    morning: useMutation({
      mutationFn: (body: components["schemas"]["MorningRequest"]) =>
        ask(
          api.PUT("/api/athletes/{athleteId}/sessions/{sessionId}/morning", {
            params: { path: { athleteId, sessionId } },
            body,
          }),
        ),
      ...afterwards,
    }),
  };
}

export function useFinish(athleteId: string, sessionId: string) {
  return useMutation({
    mutationFn: () =>
      ask(
        api.POST("/api/athletes/{athleteId}/sessions/{sessionId}/finish", {
          params: { path: { athleteId, sessionId } },
        }),
      ),
    ...useAfterwards(),
  });
}
