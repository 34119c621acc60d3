import { queryOptions } from "@tanstack/react-query";
import { api, ask } from "../api/client";

export const overviewQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["overview", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/overview", { params: { path: { athleteId } }, signal })),
  });
