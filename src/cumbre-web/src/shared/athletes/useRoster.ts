import { queryOptions } from "@tanstack/react-query";
import { api, ask } from "../api/client";

/** Those who train, or those who are put away. */
export const rosterQuery = (archived = false) =>
  queryOptions({
    queryKey: ["roster", archived],
    queryFn: ({ signal }) => ask(api.GET("/api/athletes", { params: { query: { archived } }, signal })),
  });
