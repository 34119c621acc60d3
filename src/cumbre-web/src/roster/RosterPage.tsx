import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { RosterRow } from "../api/types";
import { dayShort, dayWeek, mass } from "../ui/format";
import { Empty, Failed, Loading } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { rosterQuery } from "./useRoster";

/** All athletes of the club. */
export default function RosterPage() {
  const roster = useQuery(rosterQuery);
  const [params, setParams] = useSearchParams();
  const wanted = params.get("name") ?? "";
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap", mb: 3 }}>
        <Typography variant="h1">Roster</Typography>
        <Typography color="textSecondary" sx={{ mr: "auto" }}>
          {roster.data && `${roster.data.length} athletes`}
        </Typography>
        <TextField
          label="Name"
          value={wanted}
          onChange={(e) => setParams(e.target.value ? { name: e.target.value } : {}, { replace: true })}
          sx={{ width: 200 }}
        />
        <Button component={Link} to="/athletes/new" variant="contained" color="secondary">
          New athlete
        </Button>
      </Box>
      {roster.isPending && <Loading rows={8} />}
      {roster.isError && <Failed error={roster.error} retry={() => void roster.refetch()} />}
      {roster.data?.length === 0 && (
        <Empty
          title="No athletes yet."
          action={
            <Button component={Link} to="/athletes/new" variant="contained" color="secondary">
              Add the first athlete
            </Button>
          }
        >
          A name is enough to begin; body mass, kit and tests follow.
        </Empty>
      )}
      {roster.data && roster.data.length > 0 && (
        <Rows rows={roster.data.filter((r) => r.name.toLowerCase().includes(wanted.toLowerCase()))} />
      )}
    </Box>
  );
}

function Rows({ rows }: { rows: RosterRow[] }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  if (rows.length === 0) return <Typography color="textSecondary">Nobody by that name.</Typography>;
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table aria-label="Athletes" sx={{ minWidth: 620 }}>
        <TableHead>
          <TableRow>
            <TableCell>Name</TableCell>
            <TableCell align="right">Body mass</TableCell>
            <TableCell align="right">One-rep maximum</TableCell>
            <TableCell sx={{ pl: 6 }}>Added load</TableCell>
            <TableCell align="right">Last</TableCell>
            <TableCell align="right">Next</TableCell>
            <TableCell sx={{ pl: 6 }}>Notes</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((r) => (
            <TableRow key={r.id} hover>
              <TableCell sx={{ fontWeight: 600, fontSize: 14, fontStretch: "100%", whiteSpace: "nowrap" }}>
                <Box
                  component={Link}
                  to={`/athletes/${r.id}`}
                  sx={{
                    color: "inherit",
                    textDecoration: "none",
                    "&:hover, &:focus-visible": { textDecoration: "underline" },
                  }}
                >
                  {r.name}
                </Box>
              </TableCell>
              <TableCell align="right">{r.bodyMassKg === null ? "–" : mass(r.bodyMassKg, unit, 1)}</TableCell>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {r.oneRepMaxKg === null ? "–" : mass(r.oneRepMaxKg, unit, 1)}
              </TableCell>
              <TableCell sx={{ pl: 6, whiteSpace: "nowrap" }}>
                <StatusShape status={r.stopped ? "stop" : r.gateOpen ? "won" : "locked"} title="" />{" "}
                {r.stopped ? "stopped" : r.gateOpen ? "open" : "closed"}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                {r.lastSession ? dayShort(r.lastSession, today) : "–"}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                {r.nextSession ? (r.nextSession === today ? "today" : dayWeek(r.nextSession)) : "–"}
              </TableCell>
              <TableCell sx={{ pl: 6 }}>
                <Notes row={r} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function Notes({ row: r }: { row: RosterRow }) {
  const notes: [React.ReactNode, string][] = [];
  if (r.waiting) notes.push([<StatusShape key="w" status="pending" title="" />, "decision waits"]);
  if (r.needsClearance) notes.push([<StatusShape key="c" status="caution" title="" />, "clearance missing"]);
  if (r.testCount === 0) notes.push([null, "no tests yet"]);
  else if (r.oneRepMaxStale) notes.push([<StatusShape key="s" status="caution" title="" />, "heavy test is old"]);
  if (r.bodyMassKg === null) notes.push([null, "not weighed yet"]);
  return (
    <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
      {notes.map(([shape, text]) => (
        <Box
          component="span"
          key={text}
          sx={{ display: "inline-flex", gap: 1, alignItems: "center", whiteSpace: "nowrap" }}
        >
          {shape}
          {text}
        </Box>
      ))}
    </Box>
  );
}
