import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";
import type { CameraShot, MeasuredLineRequest, PicturePoint } from "../../../shared/api/types";
import { newId } from "../../../shared/ui/newId";

export const linesQuery = (athleteId: string, ladder: string) =>
  queryOptions({
    queryKey: ["ladders", athleteId, ladder, "lines"],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/ladders/{ladder}/measured-lines", {
          params: { path: { athleteId, ladder } },
          signal,
        }),
      ),
  });

/** What marks say; as long as they are moved, what they said last is shown. */
export const readingQuery = (athleteId: string, ladder: string, step: string, frames: readonly PicturePoint[][]) =>
  queryOptions({
    queryKey: ["ladders", athleteId, ladder, "line", step, frames],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/ladders/{ladder}/measured-lines/read", {
          params: { path: { athleteId, ladder } },
          body: { step, frames: frames as PicturePoint[][] },
          signal,
        }),
      ),
    placeholderData: (before) => before,
    gcTime: 0,
    retry: false,
  });

export const shoot = async (athleteId: string, ladder: string, step: string) =>
  (await ask(
    api.GET("/api/athletes/{athleteId}/ladders/{ladder}/measured-lines/camera", {
      params: { path: { athleteId, ladder }, query: { step } },
    }),
  )) as CameraShot;

export const pictureAddress = (athleteId: string, ladder: string, id: string) =>
  `/api/athletes/${athleteId}/ladders/${ladder}/measured-lines/${id}/picture`;

export function useLines(athleteId: string, ladder: string) {
  const queries = useQueryClient();
  const afterwards = {
    onSuccess: () => queries.invalidateQueries({ queryKey: linesQuery(athleteId, ladder).queryKey }),
  };
  const path = (id: string) => ({ params: { path: { athleteId, ladder, id } } });
  return {
    save: useMutation({
      mutationFn: (body: MeasuredLineRequest) =>
        ask(
          api.PUT("/api/athletes/{athleteId}/ladders/{ladder}/measured-lines/{id}", {
            ...path(newId()),
            body,
          }),
        ),
      ...afterwards,
    }),
    remove: useMutation({
      mutationFn: (id: string) =>
        ask(api.DELETE("/api/athletes/{athleteId}/ladders/{ladder}/measured-lines/{id}", path(id))),
      ...afterwards,
    }),
    forget: useMutation({
      mutationFn: (id: string) =>
        ask(api.DELETE("/api/athletes/{athleteId}/ladders/{ladder}/measured-lines/{id}/picture", path(id))),
      ...afterwards,
    }),
  };
}
