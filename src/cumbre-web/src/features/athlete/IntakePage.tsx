import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useKey } from "../../shared/keys/useKey";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import type { Athlete, ClearanceQuestion, Intake, Ladder } from "../../shared/api/types";
import { laddersQuery } from "../../shared/ladders/useLadders";
import { FailedPage, Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { BodyMassPanel } from "../../shared/athletes/BodyMassPanel";
import { clearanceQuery } from "./intakeQueries";
import { Clashes, Restored, SaveWords } from "../../shared/drafts/Saving";
import { type IntakeText, missing, useIntake } from "./useIntake";
import { athleteQuery } from "../../shared/athletes/useAthlete";
import { weekdays } from "../../shared/generation/wording";
import { Field } from "../../shared/ui/Field";
import { ManyField } from "../../shared/ui/ManyField";
import { weekInOrder } from "../../words/habits";
import { say as word } from "../../words/common";
import { say } from "../../words/athlete";

/** What happens before programming: short first, details later, stored as it is typed. */
export default function IntakePage() {
  const { athleteId = "" } = useParams();
  const athlete = useQuery(athleteQuery(athleteId));
  const ladders = useQuery(laddersQuery);
  const questions = useQuery(clearanceQuery);
  const failed = [athlete, ladders, questions].find((q) => q.isError && !q.data);
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  if (!athlete.data || !ladders.data || !questions.data)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return <Form key={athleteId} athlete={athlete.data} ladders={ladders.data} questions={questions.data} />;
}

function Form({
  athlete,
  ladders,
  questions,
}: {
  athlete: Athlete;
  ladders: Ladder[];
  questions: ClearanceQuestion[];
}) {
  const navigate = useNavigate();
  const draft = useIntake(athlete);
  const { text, intake, errors, type, change } = draft;
  useKey("undo", draft.undo, { inFields: true });
  useKey("redo", draft.redo, { inFields: true });
  const open = missing(athlete, draft.body, questions);
  const field = (name: keyof IntakeText, label: string, help?: string, mode: "text" | "decimal" = "text") => (
    <Field
      label={label}
      value={text[name]}
      onChange={(e) => type(name, e.target.value)}
      problem={errors[name]}
      help={help}
      slotProps={{ htmlInput: { inputMode: mode } }}
    />
  );
  return (
    <>
      <Box
        sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2, display: "flex", gap: 4, alignItems: "baseline", flexWrap: "wrap" }}
      >
        <Typography variant="h1">{athlete.name}</Typography>
        <Typography variant="body2" color="textSecondary" component="div">
          {draft.state === "saved" && draft.wrong > 0 ? (
            <span role="status">{say("toMendEverythingElseStored", { wrong: draft.wrong })}</span>
          ) : (
            <SaveWords {...draft} />
          )}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 2 }}>
          <Button size="small" onClick={draft.undo} disabled={!draft.canUndo}>
            {say("undo")}
          </Button>
          <Button size="small" onClick={draft.redo} disabled={!draft.canRedo}>
            {say("redo")}
          </Button>
        </Box>
      </Box>
      <AthleteTabs athleteId={athlete.id} />
      <Box sx={{ px: { xs: 4, sm: 6 } }}>
        <Restored at={draft.restored} undo={draft.canUndo ? draft.undo : undefined} seen={draft.seen} />
        <Clashes clashes={draft.clashes} who={null} decide={draft.decide} />
      </Box>
      <Box
        sx={{
          px: { xs: 4, sm: 6 },
          py: 4,
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.5fr) minmax(0,1fr)" },
          columnGap: 10,
          rowGap: 6,
          alignItems: "start",
        }}
      >
        <Box component="section" aria-label={say("intake")} sx={{ display: "grid", gap: 5 }}>
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" }, gap: 4 }}>
            {field("name", word("name"))}
            {field("birthYear", say("birthYear2"), say("forClearanceAndWhatMayBeTested"), "decimal")}
            <TextField
              select
              label={say("proportions")}
              value={text.sex}
              onChange={(e) => type("sex", e.target.value)}
              helperText={say("forTheMomentOfLevers")}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">{say("meanOfBothTables")}</MenuItem>
              <MenuItem value="Female">{say("womens")}</MenuItem>
              <MenuItem value="Male">{say("mens")}</MenuItem>
            </TextField>
          </Box>
          <Box>
            <Typography variant="h2">{say("goals")}</Typography>
            <Goals intake={intake} ladders={ladders} change={change} problem={errors.goals} />
          </Box>
          <Box>
            <Typography variant="h2" sx={{ mb: 2 }}>
              {say("whenAndWhere")}
            </Typography>
            <ToggleButtonGroup
              value={intake.days}
              onChange={(_, chosen: number[]) => change({ days: [...chosen].sort() })}
              aria-label={say("days")}
              sx={{ flexWrap: "wrap" }}
            >
              {weekInOrder().map((day) => (
                <ToggleButton key={day} value={day}>
                  {weekdays[day - 1]!.name}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" }, gap: 4, mt: 4 }}>
              {field("minutes", say("minutesASession2"), "10 to 240", "decimal")}
              <TextField
                select
                label={say("mostlyTrains")}
                value={intake.place}
                onChange={(e) => change({ place: e.target.value as Intake["place"] })}
                helperText={say("decidesWhichKitIsUsed")}
              >
                <MenuItem value="Hall">{say("inTheHall")}</MenuItem>
                <MenuItem value="Home">{say("atHomeWithOwnKit")}</MenuItem>
              </TextField>
              {field("trainingYears", say("yearsOfTraining"), say("regularTraining0To80"), "decimal")}
            </Box>
          </Box>
          <Complaints intake={intake} change={change} problem={errors.complaints} />
          <ClearanceFields athlete={athlete} intake={intake} questions={questions} change={change} />
          <Box component="details">
            <Box component="summary" sx={{ cursor: "pointer", fontSize: 14, fontWeight: 600, py: 1 }}>
              {say("detailsThatCanWait")}
            </Box>
            <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" }, gap: 4, pt: 3 }}>
              {field("statureCm", say("statureInCm"), say("n100To250ForTheMomentOf"), "decimal")}
              <TextField
                select
                label={say("shoulders")}
                value={intake.shoulders ?? ""}
                onChange={(e) => change({ shoulders: (e.target.value || null) as Intake["shoulders"] })}
                slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
              >
                <MenuItem value="">{say("notLookedAtYet")}</MenuItem>
                <MenuItem value="Loose">{say("loose")}</MenuItem>
                <MenuItem value="Usual">{say("usual")}</MenuItem>
                <MenuItem value="Tight">{say("tight")}</MenuItem>
              </TextField>
              <TextField
                select
                label={say("thinksIn")}
                value={text.unit}
                onChange={(e) => type("unit", e.target.value)}
              >
                <MenuItem value="Kg">{say("kg")}</MenuItem>
                <MenuItem value="Lb">{say("lb")}</MenuItem>
              </TextField>
            </Box>
            <Typography variant="body2" sx={{ mt: 3 }}>
              {say.rich("schoolsThatDifferFromTheClubsMeasured", {
                a: (words) => <Link to={`/athletes/${athlete.id}/profile`}>{words}</Link>,
              })}
            </Typography>
          </Box>
        </Box>
        <Box sx={{ display: "grid", gap: 5 }}>
          <BodyMassPanel athlete={athlete} />
          <Box component="section" aria-label={say("stillOpen")}>
            <Typography variant="h2">{open.length > 0 ? say("stillOpen") : say("everythingIsThere")}</Typography>
            <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 14, lineHeight: "21px" }}>
              {open.map((o) => (
                <li key={o}>{o}</li>
              ))}
            </Box>
            {intake.finished ? (
              <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
                {say("theIntakeIsFinishedWhatIsChanged")}
              </Typography>
            ) : (
              <Button
                variant="contained"
                color="secondary"
                sx={{ mt: 3 }}
                onClick={() => {
                  change({ finished: true });
                  void navigate(`/athletes/${athlete.id}/ladders`);
                }}
              >
                {open.length > 0 ? say("finishForNow") : say("finishTheIntake")}
              </Button>
            )}
          </Box>
        </Box>
      </Box>
    </>
  );
}

type Change = (change: Partial<Intake>) => void;

function Goals({
  intake,
  ladders,
  change,
  problem,
}: {
  intake: Intake;
  ladders: Ladder[];
  change: Change;
  problem?: string;
}) {
  const nameOf = (slug: string) => ladders.find((l) => l.slug === slug)?.name ?? slug;
  const list = (kind: "Advance" | "Maintain", label: string, help: string) => (
    <ManyField
      label={label}
      options={ladders
        .map((l) => l.slug)
        .filter((slug) => !intake.goals.some((g) => g.ladder === slug && g.kind !== kind))}
      chosen={intake.goals.filter((g) => g.kind === kind).map((g) => g.ladder)}
      nameOf={nameOf}
      onChange={(chosen) =>
        change({
          goals: [...intake.goals.filter((g) => g.kind !== kind), ...chosen.map((ladder) => ({ ladder, kind }))],
        })
      }
      problem={kind === "Advance" ? problem : undefined}
      help={help}
    />
  );
  return (
    <Box sx={{ display: "grid", gap: 4, mt: 2 }}>
      {list("Advance", say("toAdvance"), say("oneOrTwoAtATime"))}
      {list("Maintain", say("toMaintain"), say("keptWithAboutAThirdOfThe"))}
    </Box>
  );
}

function Complaints({ intake, change, problem }: { intake: Intake; change: Change; problem?: string }) {
  const set = (i: number, part: Partial<Intake["complaints"][number]>) =>
    change({ complaints: intake.complaints.map((c, j) => (j === i ? { ...c, ...part } : c)) });
  return (
    <Box component="section" aria-label={say("injuriesAndPain")}>
      <Typography variant="h2">{say("injuriesAndPain")}</Typography>
      {intake.complaints.map((c, i) => (
        <Box
          key={i}
          sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 110px", sm: "1fr 110px 1fr auto" }, gap: 2, mt: 2 }}
        >
          <TextField
            label={say("where")}
            value={c.place}
            onChange={(e) => set(i, { place: e.target.value })}
            error={problem !== undefined && c.place.trim() === ""}
            helperText={c.place.trim() === "" ? say("sayWhereUntilThenThisLineIs") : undefined}
          />
          <TextField
            select
            label={say("now")}
            value={c.level}
            onChange={(e) => set(i, { level: Number(e.target.value) })}
          >
            {Array.from({ length: 11 }, (_, n) => (
              <MenuItem key={n} value={n}>
                {n === 0 ? say("noPain") : say("painOf10", { n })}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label={say("note")}
            value={c.note ?? ""}
            onChange={(e) => set(i, { note: e.target.value || null })}
          />
          <Button
            variant="text"
            onClick={() => change({ complaints: intake.complaints.filter((_, j) => j !== i) })}
            aria-label={say("remove2", { place: c.place || say("thisLine") })}
          >
            {say("remove")}
          </Button>
        </Box>
      ))}
      <Button
        size="small"
        sx={{ mt: 2 }}
        onClick={() => change({ complaints: [...intake.complaints, { place: "", level: 0, note: null }] })}
      >
        {say("add")}
      </Button>
      {intake.complaints.some((c) => c.level >= 6) && (
        <Alert severity="warning" sx={{ mt: 2 }}>
          {say("painOf6AndMoreStopsWhat")}
        </Alert>
      )}
    </Box>
  );
}

function ClearanceFields({
  athlete,
  intake,
  questions,
  change,
}: {
  athlete: Athlete;
  intake: Intake;
  questions: ClearanceQuestion[];
  change: Change;
}) {
  const answer = (question: string, yes: boolean, cleared: boolean) =>
    change({ clearance: [...intake.clearance.filter((c) => c.question !== question), { question, yes, cleared }] });
  const unanswered = questions.filter((q) => !q.byAge && !intake.clearance.some((c) => c.question === q.slug));
  const byAge = athlete.openClearances.filter((q) => questions.some((x) => x.byAge && x.question === q));
  return (
    <Box component="section" aria-label={say("clearance")}>
      <Typography variant="h2">{say("clearance")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {say("trainingArithmeticNotMedicalAdvice")}
      </Typography>
      {byAge.map((q) => (
        <Box key={q} sx={{ display: "flex", gap: 1.5, alignItems: "center", fontSize: 14, mb: 1 }}>
          <StatusShape status="caution" title="" />
          <span>
            {say.rich("clearanceFirstForEverythingThatIs", {
              q,
              a: (words) => <Link to={`/athletes/${athlete.id}/profile`}>{words}</Link>,
            })}
          </span>
        </Box>
      ))}
      {athlete.consentMissing && (
        <FormControlLabel
          control={
            <Checkbox
              checked={intake.guardianConsent}
              onChange={(_, guardianConsent) => change({ guardianConsent })}
              size="small"
            />
          }
          label={say("aGuardianHasConsentedNeededUnder18")}
        />
      )}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {questions
          .filter((q) => !q.byAge)
          .map((q) => {
            const given = intake.clearance.find((c) => c.question === q.slug);
            return (
              <Box
                component="li"
                key={q.slug}
                sx={(t) => ({
                  display: "flex",
                  gap: 3,
                  alignItems: "center",
                  flexWrap: "wrap",
                  borderTop: `1px solid ${t.vars.palette.divider}`,
                  py: 1,
                  fontSize: 14,
                })}
              >
                <Box sx={{ mr: "auto", maxWidth: 420 }}>
                  {q.question}
                  {given?.yes && !given.cleared && (
                    <Box sx={{ fontSize: 12, color: "text.secondary" }}>
                      {say("keepsOutUntilCleared", {
                        why: q.why,
                        value: q.blocksAll
                          ? say("everythingThatIsTrainedHard")
                          : say("movements", { blocks: q.blocks }),
                      })}
                    </Box>
                  )}
                </Box>
                <ToggleButtonGroup
                  exclusive
                  size="small"
                  value={given === undefined ? null : given.yes ? "yes" : "no"}
                  onChange={(_, v: string | null) => v && answer(q.slug, v === "yes", false)}
                  aria-label={q.question}
                >
                  <ToggleButton value="no">{say("no")}</ToggleButton>
                  <ToggleButton value="yes">{say("yes")}</ToggleButton>
                </ToggleButtonGroup>
                {given?.yes && (
                  <FormControlLabel
                    control={
                      <Checkbox
                        checked={given.cleared}
                        onChange={(_, cleared) => answer(q.slug, true, cleared)}
                        size="small"
                      />
                    }
                    label={say("cleared")}
                  />
                )}
              </Box>
            );
          })}
      </Box>
      {unanswered.length > 0 && unanswered.length < questions.length && (
        <Button
          size="small"
          sx={{ mt: 2 }}
          onClick={() =>
            change({
              clearance: [
                ...intake.clearance,
                ...unanswered.map((q) => ({ question: q.slug, yes: false, cleared: false })),
              ],
            })
          }
        >
          {say("noTo", {
            value: unanswered.length === 1 ? say("theLastOne") : say("theOther", { unanswered: unanswered.length }),
          })}
        </Button>
      )}
    </Box>
  );
}
