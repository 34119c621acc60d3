import type { FirstHour } from "../shared/api/types";
import { say } from "../words/firsthour";

export interface FirstHourStep {
  id: string;
  label: string;
  why: string;
  done: boolean;
  /** Where it is done; none while something else comes first. */
  to?: string;
  /** What comes first. */
  needs?: string;
}

/** The steps in their order, with where each is done now. */
export function stepsOf(f: FirstHour): FirstHourStep[] {
  const athlete = f.athleteId ? `/athletes/${f.athleteId}` : undefined;
  const block = f.blockId && f.blockOf ? `/athletes/${f.blockOf}/blocks/${f.blockId}` : undefined;
  const of = (to: string | undefined, needs: string) => (to ? { to } : { needs });
  return [
    { id: "kit", label: say("kit"), why: say("kitWhy"), done: f.kit, to: "/kit" },
    {
      id: "athlete",
      label: say("athlete"),
      why: say("athleteWhy"),
      done: f.athleteId !== null,
      to: "/athletes/new",
    },
    {
      id: "weigh",
      label: say("weigh"),
      why: say("weighWhy"),
      done: f.weighed,
      ...of(athlete && `${athlete}/profile`, say("needsAthlete")),
    },
    {
      id: "test",
      label: say("test"),
      why: say("testWhy"),
      done: f.tested,
      ...of(athlete && `${athlete}/movement`, say("needsAthlete")),
    },
    {
      id: "block",
      label: say("block"),
      why: say("blockWhy"),
      done: f.blockId !== null,
      ...of(athlete && `${athlete}/generate`, say("needsAthlete")),
    },
    {
      id: "publish",
      label: say("publish"),
      why: say("publishWhy"),
      done: f.published,
      ...of(block, say("needsBlock")),
    },
    { id: "send", label: say("send"), why: say("sendWhy"), done: f.sent, ...of(block, say("needsBlock")) },
  ];
}
