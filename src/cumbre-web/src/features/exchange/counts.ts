import type { FilePreview } from "../../shared/api/types";
import { listed } from "../../shared/ui/format";
import { say } from "../../words/exchange";

/** What a file brings in words; empty: nothing. `onlyNew`: of the athletes those who are taken in. */
export function listOf(counts: FilePreview["counts"], fresh: number, onlyNew: boolean): string {
  const athletes = onlyNew ? fresh : counts.athletes;
  return listed(
    athletes > 0 && say("athletesCount", { count: athletes, fresh: onlyNew ? 0 : fresh }),
    counts.bodyMasses > 0 && say("massesCount", { count: counts.bodyMasses }),
    counts.tests > 0 && say("testsCount", { count: counts.tests }),
    counts.sessions > 0 && say("sessionsCount", { count: counts.sessions }),
    counts.sets > 0 && say("setsCount", { count: counts.sets }),
    counts.lines > 0 && say("linesCount", { count: counts.lines }),
  );
}
