import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { skipToken, useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { api, ask } from "../../shared/api/client";
import type { ComparedWeek, CompareSide } from "../../shared/api/types";
import { blocksQuery, programmesQuery, savesUnderWay } from "../../shared/blocks/queries";
import { weekKinds } from "../../shared/blocks/wording";
import { versionsQuery } from "../../shared/blocks/publishing";
import { dayShort, minutes } from "../../shared/ui/format";
import { Failed, Loading } from "../../shared/ui/states";
import { differenceSentence } from "./wording";
import { say as word } from "../../words/common";
import { say } from "../../words/compare";
import { useUnit } from "../../shared/account/useMe";

/** A side in the address: athlete, block, version; what is missing is still to be chosen. */
interface Chosen {
  athleteId: string;
  blockId: string;
  version: string;
}

const read = (text: string | null): Chosen => {
  const [athleteId = "", blockId = "", version = ""] = (text ?? "").split("_");
  return { athleteId, blockId, version };
};

const sideOf = (c: Chosen): CompareSide | null =>
  c.athleteId && c.blockId
    ? { athleteId: c.athleteId, blockId: c.blockId, version: c.version ? Number(c.version) : null }
    : null;

/** Two blocks, versions or athletes side by side: what changed, in sentences, with the dose beside it. */
export default function ComparePage() {
  const [search, setSearch] = useSearchParams();
  const left = read(search.get("left"));
  const right = read(search.get("right"));
  const set = (side: "left" | "right", c: Chosen) =>
    setSearch(
      (now) => {
        now.set(side, [c.athleteId, c.blockId, c.version].join("_"));
        return now;
      },
      { replace: true },
    );
  const [one, other] = [sideOf(left), sideOf(right)];
  const found = useQuery({
    queryKey: ["block", "compare", one, other],
    queryFn:
      one && other
        ? async ({ signal, client }) => {
            await savesUnderWay(client);
            return ask(api.POST("/api/compare", { body: { left: one, right: other }, signal }));
          }
        : skipToken,
    gcTime: 0,
  });
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 1180 }}>
      <Typography variant="h1">{say("compare")}</Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 5, my: 3 }}>
        <Side name={say("left")} value={left} onChange={(c) => set("left", c)} />
        <Side name={say("right")} value={right} onChange={(c) => set("right", c)} />
      </Box>
      {(!one || !other) && <Typography color="textSecondary">{say("chooseABlockOnEitherSide")}</Typography>}
      {found.isLoading && <Loading />}
      {found.isError && <Failed error={found.error} retry={() => void found.refetch()} />}
      {found.data && (
        <>
          <Typography variant="body2" color="textSecondary">
            {say("andEachReadForItsAthleteAs", { leftName: found.data.leftName, rightName: found.data.rightName })}
          </Typography>
          {found.data.weeks.map((w) => (
            <Week key={w.number} week={w} />
          ))}
        </>
      )}
    </Box>
  );
}

function Side({ name, value, onChange }: { name: string; value: Chosen; onChange: (c: Chosen) => void }) {
  const athletes = useQuery(programmesQuery);
  const list = blocksQuery(value.athleteId);
  const blocks = useQuery({ ...list, queryFn: value.athleteId ? list.queryFn : skipToken });
  const all = versionsQuery(value.athleteId, value.blockId);
  const versions = useQuery({ ...all, queryFn: value.athleteId && value.blockId ? all.queryFn : skipToken });
  return (
    <Box
      component="fieldset"
      sx={{
        border: 0,
        m: 0,
        p: 0,
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", sm: "1.2fr 1.4fr 1fr" },
        gap: 2,
        minWidth: 0,
      }}
    >
      <Box component="legend" sx={{ fontWeight: 600, mb: 2, p: 0 }}>
        {name}
      </Box>
      <TextField
        select
        label={say("athlete", { name })}
        value={athletes.data?.some((a) => a.athleteId === value.athleteId) ? value.athleteId : ""}
        onChange={(e) => onChange({ athleteId: e.target.value, blockId: "", version: "" })}
      >
        {(athletes.data ?? []).map((a) => (
          <MenuItem key={a.athleteId} value={a.athleteId}>
            {a.athleteName}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={say("block", { name })}
        value={blocks.data?.some((b) => b.id === value.blockId) ? value.blockId : ""}
        onChange={(e) => onChange({ ...value, blockId: e.target.value, version: "" })}
        disabled={!blocks.data}
        helperText={blocks.data?.length === 0 ? say("noBlockYet") : undefined}
      >
        {(blocks.data ?? []).map((b) => (
          <MenuItem key={b.id} value={b.id}>
            {b.name}, {dayShort(b.start)}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={say("version", { name })}
        value={versions.data?.versions.some((v) => String(v.number) === value.version) ? value.version : "draft"}
        onChange={(e) => onChange({ ...value, version: e.target.value === "draft" ? "" : e.target.value })}
        disabled={!versions.data}
      >
        <MenuItem value="draft">{say("asItStands")}</MenuItem>
        {(versions.data?.versions ?? []).map((v) => (
          <MenuItem key={v.number} value={String(v.number)}>
            {say("version2", { number: v.number })}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}

function Week({ week }: { week: ComparedWeek }) {
  const unit = useUnit();
  const kindOf = (kind: keyof typeof weekKinds | undefined) => (kind ? weekKinds[kind] : word("none"));
  const [left, right] = [kindOf(week.left[0]), kindOf(week.right[0])];
  const rows: [string, string | number, string | number][] = [
    [say("sessions"), week.sessions.left, week.sessions.right],
    ...week.patterns.map((p): [string, number, number] => [p.pattern, p.left, p.right]),
    [say("hardSetsInAll"), week.hardSets.left, week.hardSets.right],
    [say("pullToPush"), `${week.pull.left} : ${week.push.left}`, `${week.pull.right} : ${week.push.right}`],
    [say("straightArmS"), week.straightArmSeconds.left, week.straightArmSeconds.right],
    [say("underTension"), minutes(week.tensionSeconds.left), minutes(week.tensionSeconds.right)],
    [say("time"), minutes(week.seconds.left), minutes(week.seconds.right)],
  ];
  return (
    <Box
      component="section"
      aria-label={say("week2", { number: week.number })}
      sx={(t) => ({
        mt: 4,
        pt: 3,
        borderTop: `1px solid ${t.vars.palette.line2}`,
        display: "grid",
        gridTemplateColumns: { xs: "1fr", md: "minmax(0,1fr) 340px" },
        gap: 5,
      })}
    >
      <Box>
        <Typography variant="h2">
          {left === right
            ? say("week3", { number: week.number, kind: left })
            : say("weekOfTwoKinds", { number: week.number, left, right })}
        </Typography>
        {week.differences.length === 0 ? (
          <Typography sx={{ mt: 1 }}>{say("theSameOnBothSides")}</Typography>
        ) : (
          <Box component="ul" sx={{ m: 0, mt: 2, pl: 4, fontSize: 14, lineHeight: "21px" }}>
            {week.differences.map((d, i) => (
              <li key={i}>
                {d.pattern && (
                  <Box component="span" sx={{ color: "text.secondary" }}>
                    {d.pattern}:{" "}
                  </Box>
                )}
                {differenceSentence(d, unit)}
              </li>
            ))}
          </Box>
        )}
      </Box>
      <Table size="small" aria-label={say("doseOfWeek", { number: week.number })} sx={{ alignSelf: "start" }}>
        <TableHead>
          <TableRow>
            <TableCell>{say("dose")}</TableCell>
            <TableCell align="right">{say("left")}</TableCell>
            <TableCell align="right">{say("right")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(([name, left, right]) => (
            <TableRow key={name}>
              <TableCell>{name}</TableCell>
              <TableCell align="right">{left}</TableCell>
              <TableCell align="right" sx={{ fontWeight: left === right ? 400 : 700 }}>
                {right}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
