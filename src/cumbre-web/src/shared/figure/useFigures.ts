import { queryOptions, useQuery } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { FigurePose, Figures, MovementFigure } from "../api/types";
import type { FigurePath, FormMark } from "./draw";
import type { JointName } from "./skin";

/** The figures ship with the app: they are read once, and lie on the device for when nobody answers. */
export const figuresQuery = queryOptions({
  queryKey: ["figures"],
  queryFn: async ({ signal }): Promise<Book> => bookOf((await ask(api.GET("/api/figures", { signal }))) as Figures),
  staleTime: Infinity,
  gcTime: Infinity,
});

/** With the athlete's own proportions. */
export const figuresOfQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["figures", athleteId],
    queryFn: async ({ signal }): Promise<Book> =>
      bookOf(
        (await ask(
          api.GET("/api/athletes/{athleteId}/figures", { params: { path: { athleteId } }, signal }),
        )) as Figures,
      ),
  });

export const motionQuery = (movement: string) =>
  queryOptions({
    queryKey: ["figures", "motion", movement],
    queryFn: ({ signal }) => ask(api.GET("/api/figures/{movement}/motion", { params: { path: { movement } }, signal })),
    staleTime: Infinity,
  });

export interface DrawnMovement {
  poses: readonly FigurePose[];
  path: FigurePath | null;
  focus: number | null;
  pace: MovementFigure["pace"];
}

export interface DrawnFault {
  fault: string;
  right: FigurePose;
  wrong: FigurePose;
  mark: FormMark | null;
  rightValue: number | null;
  wrongValue: number | null;
}

interface Book {
  forms: ReadonlyMap<string, readonly DrawnFault[]>;
  poses: ReadonlyMap<string, FigurePose>;
  movements: ReadonlyMap<string, DrawnMovement>;
}

/** Joints are written small on the page. */
export const jointName = (joint: string) => (joint.charAt(0).toLowerCase() + joint.slice(1)) as JointName;

function bookOf({ poses, movements, forms }: Figures): Book {
  const byName = new Map(poses.map((pose) => [pose.name, pose]));
  return {
    poses: byName,
    forms: new Map(
      Object.entries(forms).map(([slug, faults]) => [
        slug,
        faults.flatMap(({ right, wrong, mark, ...fault }) => {
          const [good, bad] = [byName.get(right), byName.get(wrong)];
          return good && bad
            ? [
                {
                  ...fault,
                  right: good,
                  wrong: bad,
                  mark: mark && { kind: mark.kind, joints: mark.joints.map(jointName) },
                },
              ]
            : [];
        }),
      ]),
    ),
    movements: new Map(Object.entries(movements).map(([slug, movement]) => [slug, drawn(movement, byName)])),
  };
}

function drawn({ keys, path, focus, pace }: MovementFigure, poses: ReadonlyMap<string, FigurePose>): DrawnMovement {
  return {
    poses: keys.map((key) => poses.get(key)).filter((pose) => pose !== undefined),
    path: path && {
      joint: jointName(path.joint),
      x: path.x ?? 0,
      y: path.y ?? 0,
    },
    focus,
    pace,
  };
}

/** All figures; undefined while they load. */
export const useFigureBook = () => useQuery(figuresQuery).data;

/** Faults of a movement beside the right position; empty where none are drawn. */
export function useFormFaults(movement: string): readonly DrawnFault[] {
  return useQuery(figuresQuery).data?.forms.get(movement) ?? [];
}

/** How a movement is drawn; undefined while it loads, null where there is no figure. */
export function useMovementFigure(movement: string, athleteId?: string): DrawnMovement | null | undefined {
  const anybody = useQuery(figuresQuery).data;
  const own = useQuery({ ...figuresOfQuery(athleteId ?? ""), enabled: athleteId !== undefined }).data;
  const book = own ?? anybody;
  return book ? (book.movements.get(movement) ?? null) : undefined;
}
