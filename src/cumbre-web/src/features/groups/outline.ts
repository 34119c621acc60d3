import type { DayOfWeek, GroupRequest, Outline, OutlineDay, Station, StationKind } from "../../shared/api/types";
import { weekdays } from "../../shared/generation/wording";
import { newId } from "../../shared/ui/newId";
import { say } from "../../words/groups";

/** What is being written: numbers as they are typed, so that nothing typed is lost. */
export interface Draft {
  name: string;
  start: string;
  minutes: string;
  loadingWeeks: string;
  easyWeek: boolean;
  days: (Omit<OutlineDay, "sets"> & { sets: string })[];
  athletes: string[];
}

export type DraftDay = Draft["days"][number];

/** Three rounds are usual in a circuit. */
const roundsUsual = "3";

export function emptyDraft(start: string): Draft {
  return {
    name: "",
    start,
    minutes: "60",
    loadingWeeks: "4",
    easyWeek: true,
    days: [newDay("Monday")],
    athletes: [],
  };
}

export function draftOf(outline: Outline, athletes: string[]): Draft {
  return {
    ...outline,
    minutes: String(outline.minutes),
    loadingWeeks: String(outline.loadingWeeks),
    days: outline.days.map((d) => ({ ...d, sets: d.sets === null ? "" : String(d.sets) })),
    athletes,
  };
}

export const newDay = (day: DayOfWeek): DraftDay => ({ day, title: "", form: "Class", sets: "", stations: [] });

export const newStation = (kind: StationKind, of: string): Station => ({ key: newId(), kind, of, light: false });

/** The first weekday that the outline does not have. */
export const freeDay = (draft: Draft) => weekdays.find((w) => draft.days.every((d) => d.day !== w.day))?.day;

const whole = (text: string) => (/^\d{1,3}$/.test(text.trim()) ? Number(text) : null);

/** What can be asked of the server, or what is wrong where. Ranges are the server's. */
export function readDraft(
  draft: Draft,
  version: number,
): { request: GroupRequest | null; faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const minutes = whole(draft.minutes);
  const loadingWeeks = whole(draft.loadingWeeks);
  if (minutes === null) faults["outline.minutes"] = say("minutesOfASession10To240");
  if (loadingWeeks === null) faults["outline.loadingWeeks"] = say("weeks1To8");
  if (!draft.start) faults["outline.start"] = say("aMonday");
  const days = draft.days.map((d, i): OutlineDay => {
    const sets = d.sets.trim() === "" ? null : whole(d.sets);
    if (d.sets.trim() !== "" && sets === null) faults[`outline.days.${i}.sets`] = say("aNumber1To8");
    return { ...d, sets };
  });
  const complete =
    Object.keys(faults).length === 0 &&
    draft.athletes.length > 0 &&
    days.length > 0 &&
    days.every((d) => d.stations.length > 0);
  return {
    faults,
    request: complete
      ? {
          outline: {
            name: draft.name.trim() || say("group"),
            start: draft.start,
            minutes: minutes!,
            loadingWeeks: loadingWeeks!,
            easyWeek: draft.easyWeek,
            days,
          },
          athletes: draft.athletes,
          version,
        }
      : null,
  };
}

export function changeDay(draft: Draft, at: number, change: Partial<DraftDay>): Draft {
  return {
    ...draft,
    days: draft.days.map((d, i) => {
      if (i !== at) return d;
      const next = { ...d, ...change };
      // A circuit has rounds; a class may leave the sets to each athlete.
      return next.form === "Circuit" && next.sets.trim() === "" && change.form ? { ...next, sets: roundsUsual } : next;
    }),
  };
}

export function moveStation(day: DraftDay, at: number, by: -1 | 1): Station[] {
  const next = [...day.stations];
  const [moved] = next.splice(at, 1);
  next.splice(at + by, 0, moved!);
  return next;
}
