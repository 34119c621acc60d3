import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { AthleteRequest } from "../api/types";
import type { components } from "../api/schema";

/** One movement of an athlete; without a slug the load that was trained last. */
export const movementQuery = (athleteId: string, movement: string | null) =>
  queryOptions({
    queryKey: ["movement", athleteId, movement],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/movement", {
          params: { path: { athleteId }, query: movement ? { movement } : {} },
          signal,
        }),
      ),
  });

export const athleteQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["athlete", athleteId],
    queryFn: ({ signal }) => ask(api.GET("/api/athletes/{athleteId}", { params: { path: { athleteId } }, signal })),
  });

export const benchmarksQuery = queryOptions({
  queryKey: ["benchmarks"],
  queryFn: ({ signal }) => ask(api.GET("/api/benchmarks", { signal })),
  staleTime: Infinity,
});

/** Everything that is read about an athlete, the Desk and the roster depends on what is written. */
function useAfterwards() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      queries.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== "me" && q.queryKey[0] !== "benchmarks" && q.queryKey[0] !== "atlas",
      }),
  };
}

export function useSaveAthlete(athleteId: string) {
  return useMutation({
    mutationFn: (body: AthleteRequest) =>
      ask(api.PUT("/api/athletes/{athleteId}", { params: { path: { athleteId } }, body })),
    ...useAfterwards(),
  });
}

export function useAddBodyMass(athleteId: string) {
  return useMutation({
    mutationFn: ({ id, ...body }: components["schemas"]["BodyMassRequest"] & { id: string }) =>
      ask(api.PUT("/api/athletes/{athleteId}/body-masses/{id}", { params: { path: { athleteId, id } }, body })),
    ...useAfterwards(),
  });
}

export function useRemoveBodyMass(athleteId: string) {
  return useMutation({
    mutationFn: (id: string) =>
      ask(api.DELETE("/api/athletes/{athleteId}/body-masses/{id}", { params: { path: { athleteId, id } } })),
    ...useAfterwards(),
  });
}

export function useRecordResult(athleteId: string) {
  return useMutation({
    mutationFn: ({ id, ...body }: components["schemas"]["ResultRequest"] & { id: string }) =>
      ask(api.PUT("/api/athletes/{athleteId}/results/{id}", { params: { path: { athleteId, id } }, body })),
    ...useAfterwards(),
  });
}

export function useRemoveResult(athleteId: string) {
  return useMutation({
    mutationFn: (id: string) =>
      ask(api.DELETE("/api/athletes/{athleteId}/results/{id}", { params: { path: { athleteId, id } } })),
    ...useAfterwards(),
  });
}
