import { useCallback, useEffect, useRef, useState } from "react";
import type { PoseEntry, PoseRequest, Posed, PoseVariable } from "../api/types";
import { alike } from "../drafts/merge";

/** What answers to a pose; a result that holds more than the pose is told as well. */
export type AskPose<T extends { posed: Posed }> = (request: PoseRequest) => Promise<T>;

/** One change of a pose: a joint that is dragged, an angle that is set, or one that is turned on by a step. */
export type PoseChange =
  | { drag: NonNullable<PoseRequest["drag"]> }
  | { turn: NonNullable<PoseRequest["turn"]> }
  | { step: { variable: PoseVariable; sign: number; degrees: number } };

interface Question {
  change?: PoseChange;
  pose?: PoseEntry;
}

/**
 * A pose that is turned by hand. One question is on its way at a time; of drags that come meanwhile only the newest is
 * asked, so that the figure neither lags nor jumps back, and of steps every one. Where `again` changes, the same pose is
 * asked about once more.
 */
export function usePosing<T extends { posed: Posed }>(ask: AskPose<T>, start: PoseEntry, again: string) {
  const [result, setResult] = useState<T | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [past, setPast] = useState<PoseEntry[]>([]);
  const now = useRef<{ pose: PoseEntry; posed?: Posed }>({ pose: start });
  const questions = useRef<Question[]>([]);
  const busy = useRef(false);
  const asked = useRef(ask);
  // A pose that was answered and comes back as the start is no other one.
  const answers = useRef(new WeakSet<PoseEntry>());
  useEffect(() => {
    asked.current = ask;
  });

  const put = useCallback((question: Question) => {
    const waiting = questions.current;
    const last = waiting.at(-1);
    if (last?.change && "drag" in last.change && question.change && "drag" in question.change) waiting.pop();
    waiting.push(question);
    if (busy.current) return;
    busy.current = true;
    void (async () => {
      for (let next = waiting.shift(); next; next = waiting.shift()) {
        const { pose, posed } = now.current;
        try {
          const answer = await asked.current({
            pose: next.pose ?? pose,
            turn: null,
            drag: null,
            ...(next.change && sent(next.change, posed)),
          });
          now.current = { pose: answer.posed.pose, posed: answer.posed };
          answers.current.add(answer.posed.pose);
          setResult(answer);
          setError(null);
        } catch (e) {
          setError(e);
        }
      }

      busy.current = false;
    })();
  }, []);

  const from = useRef<PoseEntry | null>(null);
  useEffect(() => {
    if (answers.current.has(start) || (from.current && alike(from.current, start))) return;
    from.current = start;
    now.current = { pose: start };
    setPast([]);
    put({ pose: start });
  }, [start, put]);

  const told = useRef(again);
  useEffect(() => {
    if (told.current === again) return;
    told.current = again;
    put({});
  }, [again, put]);

  return {
    result,
    error,
    /** What is done now can be taken back to here. */
    mark: () => {
      const { pose } = now.current;
      setPast((before) => (before.at(-1) === pose ? before : [...before, pose]));
    },
    change: (change: PoseChange) => put({ change }),
    become: (pose: PoseEntry) => put({ pose }),
    undo:
      past.length === 0
        ? undefined
        : () => {
            put({ pose: past.at(-1)! });
            setPast(past.slice(0, -1));
          },
  };
}

/** As it is asked: a step goes on from the angle that there is now. */
function sent(change: PoseChange, posed: Posed | undefined): Pick<PoseRequest, "turn" | "drag"> {
  if ("drag" in change) return { drag: change.drag, turn: null };
  if ("turn" in change) return { turn: change.turn, drag: null };
  const { variable, sign, degrees } = change.step;
  const handle = posed?.handles.find((h) => h.variable === variable);
  return { turn: handle ? { variable, value: stepped(handle.value, sign, degrees) } : null, drag: null };
}

/** The next multiple of a step. */
export function stepped(value: number, sign: number, step: number): number {
  const now = Math.round(value * 10) / 10;
  return sign > 0 ? (Math.floor(now / step) + 1) * step : (Math.ceil(now / step) - 1) * step;
}
