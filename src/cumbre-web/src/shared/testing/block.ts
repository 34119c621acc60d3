import type { Block, BlockItem, BlockReading, BlockSession, SessionReading, WeekReading } from "../api/types";
import { bareWhy } from "./page";

/** A block of invented figures: its weeks have the sessions that are given. */
export const blockOf = (...weeks: BlockSession[][]): Block => ({
  name: "Lever block",
  start: "2026-03-16",
  kept: [],
  weeks: weeks.map((sessions) => ({ kind: "Loading", sessions })),
});

export const sessionOf = (id: string, day: string, ...items: BlockItem[]): BlockSession => ({
  id,
  day,
  title: "Pull",
  warmUp: { text: "Wrist leans", seconds: 480 },
  coolDown: { text: "", seconds: 0 },
  items,
  fixed: false,
});

export const itemOf = (id: string, movement: string, line: string, joined = false): BlockItem => ({
  id,
  movement,
  line,
  joined,
});

/** What a server would read in it: ten minutes and three hard sets an item. */
export function readingOf(block: Block, names: Record<string, string> = {}): BlockReading {
  const sessionReading = (s: BlockSession): SessionReading => ({
    id: s.id,
    seconds: 600 * s.items.length,
    sets: 3 * s.items.length,
    hardSets: 3 * s.items.length,
    tensionSeconds: 0,
    straightArmSeconds: 0,
    unread: 0,
    patterns: [],
    groups: [],
    items: s.items.map((i) => ({
      id: i.id,
      movement: names[i.movement] ?? i.movement,
      pattern: "vertical pull",
      line: i.line,
      seconds: 600,
      readable: true,
    })),
  });
  const weekReading = (sessions: SessionReading[], number: number): WeekReading => ({
    number,
    hardSets: sessions.reduce((n, s) => n + s.hardSets, 0),
    patterns: [],
    pull: 0,
    push: 0,
    pullToPush: null,
    pullToPushFrom: 0.8,
    pullToPushTo: 1.25,
    straightArm: {
      value: { kind: "Seconds", number: 0, code: null, date: null, pieces: null },
      why: bareWhy("StraightArmRamp"),
    },
    straightArmMost: null,
    straightArmSeconds: 0,
    left: 0,
    right: 0,
    volumeLoadKg: 0,
    tensionSeconds: 0,
    seconds: sessions.reduce((n, s) => n + s.seconds, 0),
    sessions,
  });
  return {
    weeks: block.weeks.map((w, i) => weekReading(w.sessions.map(sessionReading), i + 1)),
    cautions: [],
    items: [],
  };
}
