import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { components } from "../../shared/api/schema";
import { say } from "../../words/board";

export const boardQuery = queryOptions({
  queryKey: ["board"],
  queryFn: ({ signal }) => ask(api.GET("/api/board", { signal })),
});

export function usePutBoard() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: components["schemas"]["BoardRequest"]) => ask(api.PUT("/api/board", { body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: boardQuery.queryKey }),
  });
}

const kinds = ["Bar", "ParallelBars", "Rings", "Pole"] as const;

/** A piece of gear by its own name, or a kind of it. */
export function stationName(station: string) {
  const kind = kinds.find((k) => k === station);
  return kind ? say(kind) : station === "" ? say("floor") : station;
}
