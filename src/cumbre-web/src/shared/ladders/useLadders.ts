import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { LabHalfStep } from "../api/types";
import { newId } from "../ui/newId";

/** The atlas ships with the app: it is read once. */
export const laddersQuery = queryOptions({
  queryKey: ["atlas", "ladders"],
  queryFn: ({ signal }) => ask(api.GET("/api/ladders", { signal })),
  staleTime: Infinity,
});

/** Read anew whenever it is looked at: a restored ladder leaves it. */
export const retiredQuery = queryOptions({
  queryKey: ["atlas", "retired"],
  queryFn: ({ signal }) => ask(api.GET("/api/ladders/retired", { signal })),
});

export const movementsQuery = queryOptions({
  queryKey: ["atlas", "movements"],
  queryFn: ({ signal }) => ask(api.GET("/api/movements", { signal })),
  staleTime: Infinity,
});

export const schoolsQuery = queryOptions({
  queryKey: ["schools"],
  queryFn: ({ signal }) => ask(api.GET("/api/schools", { signal })),
});

export const athleteLaddersQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["ladders", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/ladders", { params: { path: { athleteId } }, signal })),
  });

export const athleteLadderQuery = (athleteId: string, ladder: string) =>
  queryOptions({
    queryKey: ["ladders", athleteId, ladder],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/ladders/{ladder}", { params: { path: { athleteId, ladder } }, signal })),
  });

export const labQuery = (athleteId: string, ladder: string) =>
  queryOptions({
    queryKey: ["ladders", athleteId, ladder, "lab"],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/ladders/{ladder}/lab", { params: { path: { athleteId, ladder } }, signal }),
      ),
  });

export const clubLadderQuery = (ladder: string) =>
  queryOptions({
    queryKey: ["ladders", "club", ladder],
    queryFn: ({ signal }) => ask(api.GET("/api/ladders/{ladder}/club", { params: { path: { ladder } }, signal })),
  });

function useAfterwards() {
  const queries = useQueryClient();
  return {
    onSuccess: () =>
      queries.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== "me" && q.queryKey[0] !== "atlas" && q.queryKey[0] !== "benchmarks",
      }),
  };
}

export function useSetPlacement(athleteId: string, ladder: string) {
  return useMutation({
    mutationFn: (body: { step: string; reason: string }) =>
      ask(
        api.PUT("/api/athletes/{athleteId}/ladders/{ladder}/placement", {
          params: { path: { athleteId, ladder } },
          body,
        }),
      ),
    ...useAfterwards(),
  });
}

export function useGiveBack(athleteId: string, ladder: string) {
  return useMutation({
    mutationFn: () =>
      ask(
        api.DELETE("/api/athletes/{athleteId}/ladders/{ladder}/placement", { params: { path: { athleteId, ladder } } }),
      ),
    ...useAfterwards(),
  });
}

export function useSetSchool() {
  return useMutation({
    mutationFn: ({ question, choice }: { question: string; choice: string }) =>
      ask(api.PUT("/api/schools/{question}", { params: { path: { question } }, body: { choice } })),
    ...useAfterwards(),
  });
}

/** Steps of the lever lab into the athlete's ladder, and out of it. */
export function useHalfSteps(athleteId: string, ladder: string) {
  const queries = useQueryClient();
  const afterwards = { onSuccess: () => queries.invalidateQueries({ queryKey: ["ladders", athleteId, ladder] }) };
  return {
    take: useMutation({
      mutationFn: ({ afterStep, beforeStep, kind, at, share }: LabHalfStep) =>
        ask(
          api.PUT("/api/athletes/{athleteId}/ladders/{ladder}/half-steps/{id}", {
            params: { path: { athleteId, ladder, id: newId() } },
            body: { after: afterStep, before: beforeStep, kind, at, share },
          }),
        ),
      ...afterwards,
    }),
    remove: useMutation({
      mutationFn: (id: string) =>
        ask(
          api.DELETE("/api/athletes/{athleteId}/ladders/{ladder}/half-steps/{id}", {
            params: { path: { athleteId, ladder, id } },
          }),
        ),
      ...afterwards,
    }),
  };
}
