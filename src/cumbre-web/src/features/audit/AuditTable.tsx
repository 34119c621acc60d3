import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { UseInfiniteQueryResult, InfiniteData } from "@tanstack/react-query";
import { Link } from "react-router";
import type { AuditEntry } from "../../shared/api/types";
import { moment } from "../../shared/ui/format";
import { Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/audit";
import type { AuditPage } from "./queries";
import { inWords } from "./wording";

/** Entries, the newest first, with older ones on demand. */
export function AuditTable({
  pages,
  of,
  empty,
}: {
  pages: UseInfiniteQueryResult<InfiniteData<AuditPage>>;
  /** They are all of one athlete: their name is not repeated. */
  of?: "athlete";
  empty: string;
}) {
  if (pages.isPending) return <Loading />;
  if (pages.isError) return <Failed error={pages.error} retry={() => void pages.refetch()} />;
  const entries = pages.data.pages.flatMap((p) => p.entries);
  if (entries.length === 0) return <Typography color="textSecondary">{empty}</Typography>;
  return (
    <>
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("entries")}>
        <Table size="small" aria-label={say("audit")} sx={{ minWidth: 760 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("day")}</TableCell>
              <TableCell>{say("who")}</TableCell>
              <TableCell>{say("what")}</TableCell>
              {of !== "athlete" && <TableCell>{say("athlete")}</TableCell>}
              <TableCell>{say("before")}</TableCell>
              <TableCell>{say("after")}</TableCell>
              <TableCell>{say("reason")}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {entries.map((e) => (
              <Row key={e.seq} entry={e} withAthlete={of !== "athlete"} />
            ))}
          </TableBody>
        </Table>
      </Box>
      {pages.hasNextPage && (
        <Button
          size="small"
          onClick={() => void pages.fetchNextPage()}
          disabled={pages.isFetchingNextPage}
          sx={{ mt: 3 }}
        >
          {say("older")}
        </Button>
      )}
    </>
  );
}

const words = { maxWidth: 260, overflowWrap: "anywhere" } as const;

function Row({ entry: e, withAthlete }: { entry: AuditEntry; withAthlete: boolean }) {
  return (
    <TableRow sx={{ verticalAlign: "top" }}>
      <TableCell sx={{ whiteSpace: "nowrap" }}>{moment(e.at)}</TableCell>
      <TableCell>{e.by ?? <Quiet>{e.erased ? say("erasedEntry") : say("nobodySignedIn")}</Quiet>}</TableCell>
      <TableCell>{say(e.kind)}</TableCell>
      {withAthlete && (
        <TableCell>{e.athleteId && e.athlete && <Link to={`/athletes/${e.athleteId}`}>{e.athlete}</Link>}</TableCell>
      )}
      <TableCell sx={words}>{inWords(e.before)}</TableCell>
      <TableCell sx={words}>{inWords(e.after)}</TableCell>
      <TableCell sx={words}>{e.reason}</TableCell>
    </TableRow>
  );
}

const Quiet = ({ children }: { children: React.ReactNode }) => (
  <Box component="span" sx={{ color: "text.secondary" }}>
    {children}
  </Box>
);
