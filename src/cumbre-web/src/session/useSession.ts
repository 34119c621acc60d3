import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { components } from "../api/schema";
import type { Session } from "../api/types";

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

function useAfterwards() {
  const queries = useQueryClient();
  return {
    onSuccess: async (session: Session | undefined) => {
      if (session) queries.setQueryData(["session", session.id], session);
      await queries.invalidateQueries({
        predicate: (q) => ["desk", "movement", "roster", "meaning", "block"].includes(String(q.queryKey[0])),
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

export function useLogSet(athleteId: string, sessionId: string) {
  return useMutation({
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
