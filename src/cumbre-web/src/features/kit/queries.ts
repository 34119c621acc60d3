import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { KitBookRequest } from "../../shared/api/types";

/** The club's kit, or what an athlete has at home. */
export const kitQuery = (athleteId: string | undefined) =>
  queryOptions({
    queryKey: ["kit", athleteId ?? "club"],
    queryFn: ({ signal }) =>
      athleteId === undefined
        ? ask(api.GET("/api/kit", { signal }))
        : ask(api.GET("/api/athletes/{athleteId}/kit", { params: { path: { athleteId } }, signal })),
  });

/** Loads everywhere depend on what can be hung. */
export function useSaveKit(athleteId: string | undefined) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: KitBookRequest) =>
      athleteId === undefined
        ? ask(api.PUT("/api/kit", { body }))
        : ask(api.PUT("/api/athletes/{athleteId}/kit", { params: { path: { athleteId } }, body })),
    onSuccess: (book) => {
      queries.setQueryData(kitQuery(athleteId).queryKey, book);
      return queries.invalidateQueries({
        predicate: (q) => !["me", "benchmarks", "atlas", "kit"].includes(String(q.queryKey[0])),
      });
    },
  });
}
