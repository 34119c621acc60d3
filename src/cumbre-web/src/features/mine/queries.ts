import { infiniteQueryOptions, queryOptions } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";

export const recordsQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["records", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/records", { params: { path: { athleteId } }, signal })),
  });

export const logQuery = (athleteId: string) =>
  infiniteQueryOptions({
    queryKey: ["log", athleteId],
    initialPageParam: undefined as string | undefined,
    queryFn: ({ signal, pageParam }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/log", {
          params: { path: { athleteId }, query: pageParam ? { before: pageParam } : {} },
          signal,
        }),
      ),
    getNextPageParam: (page) => page.before ?? undefined,
  });
