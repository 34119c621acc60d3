import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, ask } from "../api/client";

/** What a line means for an athlete on a day, asked at each key stroke; the last answer stays until the next is there. */
export function useMeaning(athleteId: string, movement: string, line: string, day: string) {
  return useQuery({
    queryKey: ["meaning", athleteId, movement, day, line],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/meaning", {
          params: { path: { athleteId }, query: { movement, line, day } },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    enabled: line.trim() !== "",
  });
}
