import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, ask } from "../../shared/api/client";
import type { ProgrammeRow, Template } from "../../shared/api/types";
import { dayShort, plural } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { ApplyTemplateDialog } from "./ApplyTemplateDialog";
import { NewBlockDialog } from "./NewBlockDialog";
import { groupsQuery } from "../../shared/blocks/groups";
import { programmesQuery, templatesQuery, useForgetBlocks } from "../../shared/blocks/queries";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/blocks";

/** Who follows which block, and the templates. */
export default function ProgrammesPage() {
  const rows = useQuery(programmesQuery);
  const templates = useQuery(templatesQuery);
  const navigate = useNavigate();
  const [creating, setCreating] = useState<ProgrammeRow | null>(null);
  const [applying, setApplying] = useState<Template | null>(null);
  const [removing, setRemoving] = useState<Template | null>(null);
  const forget = useForgetBlocks();
  const remove = useMutation({
    mutationFn: (id: string) => ask(api.DELETE("/api/templates/{id}", { params: { path: { id } } })),
    onSuccess: async () => {
      await forget();
      setRemoving(null);
    },
  });
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4 }}>
        <Typography variant="h1">{say("programmes")}</Typography>
        <Box sx={{ ml: "auto", fontSize: 13, display: "flex", gap: 4 }}>
          <Link to="/compare">{say("compare")}</Link>
          <Link to="/outbox">{say("outbox")}</Link>
        </Box>
      </Box>
      {rows.isPending && <Loading />}
      {rows.isError && <Failed error={rows.error} retry={() => void rows.refetch()} />}
      {rows.data?.length === 0 && <Empty title={say("noAthletesYet")}>{say("addOneUnderRosterThenABlock")}</Empty>}
      {rows.data && rows.data.length > 0 && (
        <Box sx={{ overflowX: "auto", mt: 3 }}>
          <Table aria-label={say("blocks")}>
            <TableHead>
              <TableRow>
                <TableCell>{say("athlete")}</TableCell>
                <TableCell>{say("toward")}</TableCell>
                <TableCell>
                  <Term id="block">{say("block")}</Term>
                </TableCell>
                <TableCell>{say("from2")}</TableCell>
                <TableCell>{say("week3")}</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {rows.data.map((r) => (
                <TableRow key={r.athleteId} sx={{ height: 38 }}>
                  <TableCell sx={{ fontWeight: 600 }}>{r.athleteName}</TableCell>
                  <TableCell>{r.goals.join(", ")}</TableCell>
                  <TableCell>
                    {r.block ? (
                      <Link to={`/athletes/${r.athleteId}/blocks/${r.block.id}`}>{r.block.name}</Link>
                    ) : (
                      <Box component="span" sx={{ color: "text.secondary" }}>
                        {say("none")}
                      </Box>
                    )}
                  </TableCell>
                  <TableCell>{r.block && dayShort(r.block.start)}</TableCell>
                  <TableCell>
                    {r.block && (r.weekNow === null ? "–" : say("weekOf", { week: r.weekNow, weeks: r.block.weeks }))}
                  </TableCell>
                  <TableCell align="right">
                    <Button
                      component={Link}
                      to={`/athletes/${r.athleteId}/generate`}
                      size="small"
                      aria-label={say("generateABlockFor", { athleteName: r.athleteName })}
                    >
                      {say("generate")}
                    </Button>{" "}
                    <Button
                      size="small"
                      variant="text"
                      onClick={() => setCreating(r)}
                      aria-label={say("emptyBlockFor", { athleteName: r.athleteName })}
                    >
                      {say("empty")}
                    </Button>
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      <Groups />
      <Typography variant="h2" sx={{ mt: 6 }}>
        {say("templates")}
      </Typography>
      {templates.isError && <Failed error={templates.error} retry={() => void templates.refetch()} />}
      {templates.data?.length === 0 && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {say("noneYetOpenABlockAndKeep")}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, mt: 1 }}>
        {templates.data?.map((t) => (
          <Box
            component="li"
            key={t.id}
            sx={{ display: "flex", gap: 3, py: 1.5, borderTop: 1, borderColor: "divider", alignItems: "center" }}
          >
            <b>{t.name}</b>
            <Typography variant="body2" color="textSecondary" sx={{ mr: "auto" }}>
              {plural(t.weeks, "week")}, {plural(t.sessions, "session")}, {plural(t.items, "item")}
            </Typography>
            <Button size="small" onClick={() => setApplying(t)} aria-label={say("apply2", { name: t.name })}>
              {say("apply3")}
            </Button>
            <Button
              size="small"
              variant="text"
              onClick={() => setRemoving(t)}
              aria-label={say("remove", { name: t.name })}
            >
              {say("remove2")}
            </Button>
          </Box>
        ))}
      </Box>
      {creating && (
        <NewBlockDialog
          row={creating}
          onClose={() => setCreating(null)}
          onMade={(id) => void navigate(`/athletes/${creating.athleteId}/blocks/${id}`)}
        />
      )}
      {applying && rows.data && (
        <ApplyTemplateDialog template={applying} athletes={rows.data} onClose={() => setApplying(null)} />
      )}
      {removing && (
        <ConfirmDialog
          title={say("remove3", { name: removing.name })}
          verb={say("remove2")}
          busy={remove.isPending}
          onClose={() => setRemoving(null)}
          onConfirm={() => remove.mutate(removing.id)}
        >
          {say("blocksThatWereMadeFromItStay")}
        </ConfirmDialog>
      )}
    </Box>
  );
}

/** Blocks that several athletes follow. */
function Groups() {
  const groups = useQuery(groupsQuery);
  return (
    <Box component="section" aria-label={say("groups")} sx={{ mt: 6 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3 }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          {say("groups")}
        </Typography>
        <Button component={Link} to="/groups/new" size="small">
          {say("newGroupBlock")}
        </Button>
      </Box>
      {groups.isError && <Failed error={groups.error} retry={() => void groups.refetch()} />}
      {groups.data?.length === 0 && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {say("noneYetAClassOrACircuit")}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, mt: 1 }}>
        {groups.data?.map((g) => (
          <Box
            component="li"
            key={g.id}
            sx={{ display: "flex", gap: 3, py: 1.5, borderTop: 1, borderColor: "divider", alignItems: "center" }}
          >
            <Box component={Link} to={`/groups/${g.id}`} sx={{ fontWeight: 600, flex: "none" }}>
              {g.name}
            </Box>
            <Typography variant="body2" color="textSecondary" sx={{ mr: "auto" }}>
              {say("from3", { start: dayShort(g.start), weeks: g.weeks, athletes: g.athletes.join(", ") })}
            </Typography>
            <Button
              component={Link}
              to={`/groups/${g.id}/print`}
              size="small"
              aria-label={say("print", { name: g.name })}
            >
              {say("print2")}
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
