import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { ClubLadder, Ladder, LadderStep, School } from "../../shared/api/types";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { Ridge } from "./Ridge";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { StepCard } from "./StepCard";
import { clubLadderQuery, laddersQuery, schoolsQuery } from "../../shared/ladders/useLadders";
import { demandWord, figure } from "../../shared/ladders/wording";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/ladders";

/** One ladder of the atlas, with all athletes of the club as flags on its ridge. */
export default function LadderPage() {
  const { slug = "" } = useParams();
  const { isCoach } = useSignedIn();
  const ladders = useQuery(laddersQuery);
  const schools = useQuery(schoolsQuery);
  const club = useQuery({ ...clubLadderQuery(slug), enabled: isCoach });
  const failed = [ladders, schools, club].find(
    (q) => q.isError && !(q === club && club.error.message.includes("no such")),
  );
  const ladder = ladders.data?.find((l) => l.slug === slug);
  if (ladders.data && !ladder)
    return (
      <Box sx={{ px: 6 }}>
        <Empty title={say("thereIsNoSuchLadder")} action={<Link to="/ladders">{say("allLadders")}</Link>} />
      </Box>
    );
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  if (!ladder || !schools.data || (isCoach && !club.data))
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return <Page ladder={ladder} schools={schools.data} club={club.data ?? null} />;
}

function Page({ ladder, schools, club }: { ladder: Ladder; schools: School[]; club: ClubLadder | null }) {
  const begun = club?.flags.filter((f) => f.training !== null && f.started) ?? [];
  const { isClub } = useSignedIn();
  const waiting = club?.flags.filter((f) => f.training === null || !f.started) ?? [];
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4, flexWrap: "wrap" }}>
        <Typography variant="h1">{ladder.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say(club ? "heightOfAverage" : "height2", { demandWord: demandWord[ladder.demandKind] })}
        </Typography>
        <Box sx={{ ml: "auto", fontSize: 13, display: "flex", gap: 4 }}>
          {club && (
            <>
              {isClub && <Link to={`/ladders/${ladder.slug}/edit`}>{say("edit")}</Link>}
              <a href={`/api/ladders/export?slug=${ladder.slug}`}>{say("export")}</a>
            </>
          )}
          <Link to="/ladders">{say("allLadders")}</Link>
        </Box>
      </Box>
      {(ladder.edited || ladder.flags > 0) && (
        <Typography variant="body2" color="textSecondary">
          {ladder.own ? say("aLadderOfTheClubsOwn") : say("changedByTheClub2")}
          {ladder.flags > 0 && <> {say("theShippedLadderChangedUnderneath")}</>}
        </Typography>
      )}
      <Typography sx={{ mt: 1, maxWidth: 820 }}>{ladder.about}</Typography>
      {club && (
        <>
          <Ridge
            label={say("ridgeOfTheLadderWithTheClubs", { name: ladder.name })}
            steps={ladder.steps.map((s, i) => ({
              key: s.slug,
              name: s.name,
              share: club.shares[i] ?? 0,
              status: s.gates.length > 0 ? "locked" : "ahead",
              statusWord: s.gates.length > 0 ? say("guardedByAGate") : say("noGateOfItsOwn"),
              flags: begun.filter((f) => f.training === i).map((f) => f.name),
            }))}
            training={null}
            card={(i) =>
              ladder.steps[i] && (
                <>
                  <StepCard step={ladder.steps[i]} />
                  <Box sx={{ fontSize: 13, lineHeight: "17px", mt: 2 }}>
                    {begun
                      .filter((f) => f.training === i)
                      .map((f) => f.name)
                      .join(", ")}
                  </Box>
                </>
              )
            }
          />
          <Athletes ladder={ladder} begun={begun} waiting={waiting} />
        </>
      )}
      <Steps ladder={ladder} schools={schools} />
    </Box>
  );
}

function Athletes({
  ladder,
  begun,
  waiting,
}: {
  ladder: Ladder;
  begun: ClubLadder["flags"];
  waiting: ClubLadder["flags"];
}) {
  const link = (f: ClubLadder["flags"][number]) => (
    <Link to={`/athletes/${f.athleteId}/ladders?ladder=${ladder.slug}`}>{f.name}</Link>
  );
  return (
    <Box sx={{ py: 3, fontSize: 13, lineHeight: "20px" }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {say("athletes")}
      </Typography>
      {begun.length === 0 && <Typography variant="body2">{say("nobodyHasBegunThisLadder")}</Typography>}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, display: "flex", columnGap: 6, flexWrap: "wrap" }}>
        {begun.map((f) => (
          <li key={f.athleteId}>
            <Listed>
              {link(f)}
              {ladder.steps[f.training ?? 0]?.name}
              {f.setByCoach && say("setByTheCoach")}
            </Listed>
          </li>
        ))}
      </Box>
      {waiting.length > 0 && (
        <Box sx={{ color: "text.secondary" }}>
          {say("notBegun3")}{" "}
          {waiting.map((f, i) => (
            <span key={f.athleteId}>
              {i > 0 && ", "}
              {link(f)}
            </span>
          ))}
        </Box>
      )}
    </Box>
  );
}

function Steps({ ladder, schools }: { ladder: Ladder; schools: School[] }) {
  const unit = useUnit();
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("steps")}>
      <Table
        aria-label={say("steps")}
        sx={{ minWidth: 820, "& td, & th": { verticalAlign: "top", py: 1.5, whiteSpace: "normal" } }}
      >
        <TableHead>
          <TableRow>
            <TableCell>
              <Term id="step">{say("step")}</Term>
            </TableCell>
            <TableCell sx={{ width: 260 }}>
              <Term id="gate">{say("gate")}</Term>
            </TableCell>
            <TableCell sx={{ width: 200 }}>{say("unlockStandard")}</TableCell>
            <TableCell>{say("usualDose")}</TableCell>
            <TableCell>{say("cuesAndFaults")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {ladder.steps.map((s) => (
            <TableRow key={s.slug} id={s.slug}>
              <TableCell component="th" scope="row" sx={{ width: 240 }}>
                <Box sx={{ display: "flex", gap: 3 }}>
                  <MovementFigure movement={s.movement} size={72} />
                  <div>
                    <b>{s.name}</b>
                    <Box>
                      <Link to={`/movements/${s.movement}`}>{s.movementName}</Link>
                    </Box>
                    {s.setUp && <Box sx={{ color: "text.secondary" }}>{s.setUp}</Box>}
                    {s.preparation && <Box sx={{ color: "text.secondary" }}>{say("supportWork")}</Box>}
                    {alternatives(ladder, s)}
                  </div>
                </Box>
              </TableCell>
              <TableCell>
                {s.gates.map((g) => (
                  <Box key={g.gate} sx={{ mb: 1 }}>
                    {figure(g.gate, unit).replaceAll(">=", "≥")}
                    {schoolNames(g.schools, schools).map((name) => (
                      <Box key={name} sx={{ color: "text.secondary" }}>
                        {name}
                      </Box>
                    ))}
                  </Box>
                ))}
              </TableCell>
              <TableCell>
                {figure(s.won, unit).replaceAll(">=", "≥")}
                {s.opens !== s.won && (
                  <Box sx={{ color: "text.secondary" }}>
                    {say("opensTheNext", { replaceAll: figure(s.opens, unit).replaceAll(">=", "≥") })}
                  </Box>
                )}
              </TableCell>
              <TableCell sx={{ width: 150 }}>{figure(s.dose, unit)}</TableCell>
              <TableCell>
                {s.cues.join("; ")}
                <Box sx={{ color: "text.secondary" }}>{say("faults", { faults: s.faults.join("; ") })}</Box>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

/** Steps that follow the same one are alternatives. */
function alternatives(ladder: Ladder, step: LadderStep) {
  const others = ladder.steps.filter(
    (s) => s !== step && step.after.length > 0 && s.after.join() === step.after.join(),
  );
  return others.length > 0 ? (
    <Box sx={{ color: "text.secondary" }}>{say("or", { others: others.map((s) => s.name).join(", ") })}</Box>
  ) : null;
}

function schoolNames(gate: Record<string, string[]>, schools: School[]) {
  return Object.entries(gate).map(([question, choices]) => {
    const known = schools.find((s) => s.slug === question);
    return say("under", {
      choices: choices.map((c) => known?.choices.find((k) => k.slug === c)?.name ?? c).join(" or "),
    });
  });
}
