import { queryOptions } from "@tanstack/react-query";
import { api, ask } from "../api/client";

/** What the club tells people of their data: for everybody, also before they join. */
export const textQuery = queryOptions({
  queryKey: ["privacy", "text"],
  queryFn: ({ signal }) => ask(api.GET("/api/privacy-text", { signal })),
});
