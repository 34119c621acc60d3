import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";

export const trendsQuery = (athleteId: string, weeks: number) =>
  queryOptions({
    queryKey: ["trends", athleteId, weeks],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/trends", { params: { path: { athleteId }, query: { weeks } }, signal })),
    placeholderData: keepPreviousData,
  });

export const movementTrendQuery = (athleteId: string, movement: string, weeks: number) =>
  queryOptions({
    queryKey: ["trends", athleteId, weeks, movement],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/trends/{movement}", {
          params: { path: { athleteId, movement }, query: { weeks } },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
  });
