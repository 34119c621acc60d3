import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";

export const deskQuery = queryOptions({
  queryKey: ["desk"],
  queryFn: ({ signal }) => ask(api.GET("/api/desk", { signal })),
});

/** Accept, put off, undo, clear: each changes the Desk, the athlete and the session, so all are read again. */
export function useDecide() {
  const queries = useQueryClient();
  const afterwards = { onSettled: () => queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "me" }) };
  return {
    accept: useMutation({
      mutationFn: ({ id, line = null, reason = null }: { id: string; line?: string | null; reason?: string | null }) =>
        ask(api.POST("/api/decisions/{id}/accept", { params: { path: { id } }, body: { line, reason } })),
      ...afterwards,
    }),
    later: useMutation({
      mutationFn: (id: string) =>
        ask(api.POST("/api/decisions/{id}/later", { params: { path: { id } }, body: { until: null } })),
      ...afterwards,
    }),
    undo: useMutation({
      mutationFn: (id: string) => ask(api.POST("/api/decisions/{id}/undo", { params: { path: { id } } })),
      ...afterwards,
    }),
    clear: useMutation({
      mutationFn: ({ id, reason }: { id: string; reason: string }) =>
        ask(api.POST("/api/decisions/{id}/clear", { params: { path: { id } }, body: { reason } })),
      ...afterwards,
    }),
  };
}
