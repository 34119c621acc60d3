import type { GroupSession, GroupStation } from "../../shared/api/types";
import { capital } from "../../shared/ui/format";
import { say } from "../../words/groups";

/** What a station is called on the plan and on paper. */
export const stationLabel = (station: GroupStation) =>
  station.key === "" ? say("addedByHand") : `${capital(station.name)}${station.light ? ", light" : ""}`;

/** The class ends with whom it takes longest; null: nobody has a session. */
export function classMinutes(session: GroupSession) {
  const known = session.minutes.filter((m) => m !== null);
  return known.length > 0 ? Math.max(...known) : null;
}

/** Positions of the members who do anything that day. */
export const whoTrains = (session: GroupSession) =>
  session.minutes.map((_, i) => i).filter((i) => session.stations.some((s) => (s.cells[i]?.length ?? 0) > 0));
