import { queryOptions } from "@tanstack/react-query";
import { api, ask } from "../api/client";

export const rosterQuery = queryOptions({
  queryKey: ["roster"],
  queryFn: ({ signal }) => ask(api.GET("/api/athletes", { signal })),
});
