import { useInfiniteQuery } from "@tanstack/react-query";
import { say } from "../../words/audit";
import { AuditTable } from "./AuditTable";
import { athleteAuditQuery } from "./queries";

/** What was noted of one athlete. */
export function PersonAudit({ athleteId }: { athleteId: string }) {
  return <AuditTable pages={useInfiniteQuery(athleteAuditQuery(athleteId))} of="athlete" empty={say("nothingYet")} />;
}
