import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";

export const clearanceQuery = queryOptions({
  queryKey: ["clearance"],
  queryFn: ({ signal }) => ask(api.GET("/api/clearance", { signal })),
  staleTime: Infinity,
});

/** Puts an athlete away, or takes them back. */
export function useArchive(athleteId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (away: boolean) =>
      ask(api.PUT("/api/athletes/{athleteId}/archive", { params: { path: { athleteId } }, body: { away } })),
    onSuccess: () => queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "me" }),
  });
}

/** Removes an archived athlete for good. */
export function useRemoveAthlete(athleteId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => ask(api.DELETE("/api/athletes/{athleteId}", { params: { path: { athleteId } } })),
    onSuccess: () => {
      queries.removeQueries({ predicate: (q) => q.queryKey.includes(athleteId) });
      return queries.invalidateQueries({ queryKey: ["roster"] });
    },
  });
}
