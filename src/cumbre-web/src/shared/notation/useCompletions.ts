import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, ask } from "../api/client";

/** What may be typed next at the cursor. */
export function useCompletions(line: string, cursor: number, enabled: boolean) {
  return useQuery({
    queryKey: ["notation", "completions", line, cursor],
    queryFn: ({ signal }) => ask(api.GET("/api/notation/completions", { params: { query: { line, cursor } }, signal })),
    enabled,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
}
