import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import type { Ladder, Movement } from "../../shared/api/types";
import { dayShort, plural } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { Schools } from "./Schools";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { matchesLadder, matchesMovement } from "./search";
import { laddersQuery, movementsQuery, retiredQuery } from "../../shared/ladders/useLadders";
import { demandWord } from "../../shared/ladders/wording";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/ladders";

/** The atlas: ladders, movements, and the questions on which practitioners disagree. */
export default function AtlasPage() {
  const [search, setSearch] = useSearchParams();
  const { isClub } = useSignedIn();
  const ladders = useQuery(laddersQuery);
  const movements = useQuery(movementsQuery);
  const show = search.get("show") ?? "ladders";
  // Typed here and copied to the address: the address follows too slowly to type into.
  const [words, setWords] = useState(search.get("q") ?? "");
  const pattern = search.get("pattern") ?? "";
  const set = (name: string, value: string) =>
    setSearch(
      () => {
        // What the address says now: a long list may still be on its way to the screen.
        const now = new URLSearchParams(window.location.search);
        if (value) now.set(name, value);
        else now.delete(name);
        return now;
      },
      { replace: true },
    );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap", pb: 4 }}>
        <Typography variant="h1" sx={{ mr: 4 }}>
          <Term id="ladder">{say("ladders")}</Term>
        </Typography>
        <ToggleButtonGroup
          exclusive
          value={show}
          onChange={(_, v: string | null) => v && set("show", v === "ladders" ? "" : v)}
          aria-label={say("show")}
        >
          <ToggleButton value="ladders">{say("ladders2")}</ToggleButton>
          <ToggleButton value="movements">{say("movements")}</ToggleButton>
          <ToggleButton value="schools">{say("schools")}</ToggleButton>
        </ToggleButtonGroup>
        {show !== "schools" && (
          <TextField
            label={say("search")}
            placeholder={show === "movements" ? say("nameMuscleKit") : say("nameStepMovement")}
            value={words}
            onChange={(e) => {
              setWords(e.target.value);
              set("q", e.target.value);
            }}
            sx={{ width: 260 }}
            type="search"
          />
        )}
        {show === "ladders" && isClub && (
          <Box sx={{ ml: "auto", fontSize: 13, display: "flex", gap: 4 }}>
            <Link to="/ladders/new">{say("newLadder")}</Link>
            <Link to="/ladders/import">{say("import")}</Link>
            <a href="/api/ladders/export">{say("exportTheClubs")}</a>
          </Box>
        )}
        {show === "movements" && isClub && (
          <Box sx={{ ml: "auto", order: 1, fontSize: 13 }}>
            <Link to="/movements/new">{say("newMovement")}</Link>
          </Box>
        )}
        {show === "movements" && (
          <TextField
            select
            label={say("pattern")}
            value={pattern}
            onChange={(e) => set("pattern", e.target.value)}
            sx={{ width: 220 }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value="">{say("allPatterns")}</MenuItem>
            {[...new Set((movements.data ?? []).map((m) => m.pattern))].map((p) => (
              <MenuItem key={p} value={p}>
                {p}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      {ladders.isError || movements.isError ? (
        <Failed
          error={ladders.error ?? movements.error}
          retry={() => void (ladders.isError ? ladders : movements).refetch()}
        />
      ) : ladders.isPending || movements.isPending ? (
        <Loading />
      ) : show === "schools" ? (
        <Schools />
      ) : show === "movements" ? (
        <Movements
          movements={movements.data.filter(
            (m) => (pattern === "" || m.pattern === pattern) && matchesMovement(m, words),
          )}
        />
      ) : (
        <>
          <LadderList ladders={ladders.data.filter((l) => matchesLadder(l, words))} />
          {isClub && <RetiredLadders />}
        </>
      )}
    </Box>
  );
}

function LadderList({ ladders }: { ladders: Ladder[] }) {
  if (ladders.length === 0) return <Empty title={say("noLadderFits")}>{say("searchByASkillAStepOr")}</Empty>;
  return (
    <Box
      component="ul"
      aria-label={say("ladders")}
      sx={{
        listStyle: "none",
        m: 0,
        p: 0,
        display: "grid",
        gridTemplateColumns: "repeat(auto-fill, minmax(min(320px, 100%), 1fr))",
        gap: 3,
      }}
    >
      {ladders.map((l) => (
        <li key={l.slug}>
          <ButtonBase
            component={Link}
            to={`/ladders/${l.slug}`}
            sx={(t) => ({
              display: "block",
              textAlign: "left",
              width: 1,
              height: 1,
              bgcolor: "background.paper",
              border: `1px solid ${t.vars.palette.divider}`,
              p: 3,
              "&:hover": { borderColor: t.vars.palette.rock },
            })}
          >
            <Typography variant="h2" component="span">
              {l.name}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              <Listed>
                {l.own ? say("theClubsOwn") : l.edited && say("changedByTheClub")}
                {plural(l.steps.length, "step")}
                {l.pattern}
                {demandWord[l.demandKind]}
              </Listed>
            </Typography>
            <Typography variant="body2" sx={{ mt: 1 }}>
              {l.steps.map((s) => s.name).join(" · ")}
            </Typography>
          </ButtonBase>
        </li>
      ))}
    </Box>
  );
}

/** What the club made and uses no more; a version is brought back on its page. */
function RetiredLadders() {
  const { today } = useSignedIn();
  const retired = useQuery(retiredQuery).data ?? [];
  if (retired.length === 0) return null;
  return (
    <Box component="section" aria-label={say("retiredLadders")} sx={{ mt: 6 }}>
      <Typography variant="h2">{say("retiredLadders")}</Typography>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, fontSize: 13 }}>
        {retired.map((l) => (
          <Box component="li" key={l.slug} sx={{ py: 1.5, borderBottom: 1, borderColor: "divider" }}>
            <Link to={`/ladders/${l.slug}/edit`}>{l.name}</Link>{" "}
            {say("retiredBy", { day: dayShort(l.at.slice(0, 10), today), by: l.by, reason: l.reason })}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Movements({ movements }: { movements: Movement[] }) {
  if (movements.length === 0)
    return <Empty title={say("noMovementFits")}>{say("searchByNamePatternMuscleOrKit")}</Empty>;
  return (
    <>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {plural(movements.length, "movement")}
      </Typography>
      <Box
        component="ul"
        aria-label={say("movements2")}
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(min(260px, 100%), 1fr))",
          columnGap: 6,
        }}
      >
        {movements.map((m) => (
          <Box
            component="li"
            key={m.slug}
            sx={{
              borderBottom: 1,
              borderColor: "divider",
              py: 1,
              fontSize: 13,
              lineHeight: "18px",
              display: "flex",
              gap: 3,
              alignItems: "center",
            }}
          >
            <MovementFigure movement={m.slug} size={48} lazy />
            <div>
              <Link to={`/movements/${m.slug}`}>{m.name}</Link>
              <Box sx={{ color: "text.secondary", fontStretch: "90%" }}>
                {m.pattern}; {m.kit.join(", ")}
              </Box>
            </div>
          </Box>
        ))}
      </Box>
    </>
  );
}
