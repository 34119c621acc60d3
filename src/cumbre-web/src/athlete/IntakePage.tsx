import Alert from "@mui/material/Alert";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useHotkeys } from "react-hotkeys-hook";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import type { Athlete, ClearanceQuestion, Intake, Ladder } from "../api/types";
import { laddersQuery } from "../ladders/useLadders";
import { Failed, Loading } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { AthleteTabs } from "./AthleteTabs";
import { BodyMassPanel } from "./BodyMassPanel";
import { clearanceQuery } from "./intakeQueries";
import { Clashes, Restored, SaveWords } from "../drafts/Saving";
import { type IntakeText, missing, useIntake } from "./useIntake";
import { athleteQuery } from "./useAthlete";

const days = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** What happens before programming: short first, details later, stored as it is typed. */
export default function IntakePage() {
  const { athleteId = "" } = useParams();
  const athlete = useQuery(athleteQuery(athleteId));
  const ladders = useQuery(laddersQuery);
  const questions = useQuery(clearanceQuery);
  const failed = [athlete, ladders, questions].find((q) => q.isError && !q.data);
  if (failed)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={failed.error} retry={() => void failed.refetch()} />
      </Box>
    );
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
  useHotkeys("mod+z", draft.undo, { enableOnFormTags: true, preventDefault: true });
  useHotkeys("mod+shift+z, mod+y", draft.redo, { enableOnFormTags: true, preventDefault: true });
  const open = missing(athlete, intake, questions);
  const field = (name: keyof IntakeText, label: string, help?: string, mode: "text" | "decimal" = "text") => (
    <TextField
      label={label}
      value={text[name]}
      onChange={(e) => type(name, e.target.value)}
      error={errors[name] !== undefined}
      helperText={errors[name] ?? help}
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
            <span role="status">{draft.wrong} to mend, everything else stored</span>
          ) : (
            <SaveWords {...draft} />
          )}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 2 }}>
          <Button size="small" onClick={draft.undo} disabled={!draft.canUndo}>
            Undo
          </Button>
          <Button size="small" onClick={draft.redo} disabled={!draft.canRedo}>
            Redo
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
        <Box component="section" aria-label="Intake" sx={{ display: "grid", gap: 5 }}>
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" }, gap: 4 }}>
            {field("name", "Name")}
            {field("birthYear", "Birth year", "for clearance and what may be tested", "decimal")}
            <TextField
              select
              label="Proportions"
              value={text.sex}
              onChange={(e) => type("sex", e.target.value)}
              helperText="for the moment of levers"
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">mean of both tables</MenuItem>
              <MenuItem value="Female">women’s</MenuItem>
              <MenuItem value="Male">men’s</MenuItem>
            </TextField>
          </Box>
          <Box>
            <Typography variant="h2">Goals</Typography>
            <Goals intake={intake} ladders={ladders} change={change} problem={errors.goals} />
          </Box>
          <Box>
            <Typography variant="h2" sx={{ mb: 2 }}>
              When and where
            </Typography>
            <ToggleButtonGroup
              value={intake.days}
              onChange={(_, chosen: number[]) => change({ days: [...chosen].sort() })}
              aria-label="Days"
              sx={{ flexWrap: "wrap" }}
            >
              {days.map((d, i) => (
                <ToggleButton key={d} value={i + 1}>
                  {d}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
            <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" }, gap: 4, mt: 4 }}>
              {field("minutes", "Minutes a session", "10 to 240", "decimal")}
              <TextField
                select
                label="Mostly trains"
                value={intake.place}
                onChange={(e) => change({ place: e.target.value as Intake["place"] })}
                helperText="decides which kit is used"
              >
                <MenuItem value="Hall">in the hall</MenuItem>
                <MenuItem value="Home">at home, with own kit</MenuItem>
              </TextField>
              {field("trainingYears", "Years of training", "regular training, 0 to 80", "decimal")}
            </Box>
          </Box>
          <Complaints intake={intake} change={change} problem={errors.complaints} />
          <ClearanceFields athlete={athlete} intake={intake} questions={questions} change={change} />
          <Box component="details">
            <Box component="summary" sx={{ cursor: "pointer", fontSize: 14, fontWeight: 600, py: 1 }}>
              Details that can wait
            </Box>
            <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" }, gap: 4, pt: 3 }}>
              {field("statureCm", "Stature in cm", "100 to 250; for the moment of levers", "decimal")}
              <TextField
                select
                label="Shoulders"
                value={intake.shoulders ?? ""}
                onChange={(e) => change({ shoulders: (e.target.value || null) as Intake["shoulders"] })}
                slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
              >
                <MenuItem value="">not looked at yet</MenuItem>
                <MenuItem value="Loose">loose</MenuItem>
                <MenuItem value="Usual">usual</MenuItem>
                <MenuItem value="Tight">tight</MenuItem>
              </TextField>
              <TextField select label="Thinks in" value={text.unit} onChange={(e) => type("unit", e.target.value)}>
                <MenuItem value="Kg">kg</MenuItem>
                <MenuItem value="Lb">lb</MenuItem>
              </TextField>
            </Box>
            <Typography variant="body2" sx={{ mt: 3 }}>
              Schools that differ from the club’s, measured lengths and kit are under{" "}
              <Link to={`/athletes/${athlete.id}/profile`}>Profile and kit</Link>.
            </Typography>
          </Box>
        </Box>
        <Box sx={{ display: "grid", gap: 5 }}>
          <BodyMassPanel athlete={athlete} />
          <Box component="section" aria-label="Still open">
            <Typography variant="h2">{open.length > 0 ? "Still open" : "Everything is there"}</Typography>
            <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 14, lineHeight: "21px" }}>
              {open.map((o) => (
                <li key={o}>{o}</li>
              ))}
            </Box>
            {intake.finished ? (
              <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
                The intake is finished; what is changed here is stored as it is typed.
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
                {open.length > 0 ? "Finish for now" : "Finish the intake"}
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
    <Autocomplete
      multiple
      options={ladders
        .map((l) => l.slug)
        .filter((slug) => !intake.goals.some((g) => g.ladder === slug && g.kind !== kind))}
      value={intake.goals.filter((g) => g.kind === kind).map((g) => g.ladder)}
      getOptionLabel={nameOf}
      onChange={(_, chosen) =>
        change({
          goals: [...intake.goals.filter((g) => g.kind !== kind), ...chosen.map((ladder) => ({ ladder, kind }))],
        })
      }
      renderInput={(params) => (
        <TextField
          {...params}
          label={label}
          error={kind === "Advance" && problem !== undefined}
          helperText={kind === "Advance" && problem ? problem : help}
        />
      )}
    />
  );
  return (
    <Box sx={{ display: "grid", gap: 4, mt: 2 }}>
      {list("Advance", "To advance", "one or two at a time")}
      {list("Maintain", "To maintain", "kept with about a third of the work")}
    </Box>
  );
}

function Complaints({ intake, change, problem }: { intake: Intake; change: Change; problem?: string }) {
  const set = (i: number, part: Partial<Intake["complaints"][number]>) =>
    change({ complaints: intake.complaints.map((c, j) => (j === i ? { ...c, ...part } : c)) });
  return (
    <Box component="section" aria-label="Injuries and pain">
      <Typography variant="h2">Injuries and pain</Typography>
      {intake.complaints.map((c, i) => (
        <Box
          key={i}
          sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 110px", sm: "1fr 110px 1fr auto" }, gap: 2, mt: 2 }}
        >
          <TextField
            label="Where"
            value={c.place}
            onChange={(e) => set(i, { place: e.target.value })}
            error={problem !== undefined && c.place.trim() === ""}
            helperText={c.place.trim() === "" ? "Say where; until then this line is not stored." : undefined}
          />
          <TextField select label="Now" value={c.level} onChange={(e) => set(i, { level: Number(e.target.value) })}>
            {Array.from({ length: 11 }, (_, n) => (
              <MenuItem key={n} value={n}>
                {n === 0 ? "no pain" : `${n} of 10`}
              </MenuItem>
            ))}
          </TextField>
          <TextField label="Note" value={c.note ?? ""} onChange={(e) => set(i, { note: e.target.value || null })} />
          <Button
            variant="text"
            onClick={() => change({ complaints: intake.complaints.filter((_, j) => j !== i) })}
            aria-label={`Remove ${c.place || "this line"}`}
          >
            Remove
          </Button>
        </Box>
      ))}
      <Button
        size="small"
        sx={{ mt: 2 }}
        onClick={() => change({ complaints: [...intake.complaints, { place: "", level: 0, note: null }] })}
      >
        Add
      </Button>
      {intake.complaints.some((c) => c.level >= 6) && (
        <Alert severity="warning" sx={{ mt: 2 }}>
          Pain of 6 and more stops what loads it: refer to a licensed professional first.
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
    <Box component="section" aria-label="Clearance">
      <Typography variant="h2">Clearance</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        Training arithmetic, not medical advice: whatever applies is for a licensed professional to clear first.
      </Typography>
      {byAge.map((q) => (
        <Box key={q} sx={{ display: "flex", gap: 1.5, alignItems: "center", fontSize: 14, mb: 1 }}>
          <StatusShape status="caution" title="" />
          {q}: clearance first, for everything that is trained hard;{" "}
          <Link to={`/athletes/${athlete.id}/profile`}>note it under Profile</Link>
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
          label="A guardian has consented (needed under 18)"
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
                      {q.why}; keeps out {q.blocksAll ? "everything that is trained hard" : `${q.blocks} movements`}{" "}
                      until cleared
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
                  <ToggleButton value="no">no</ToggleButton>
                  <ToggleButton value="yes">yes</ToggleButton>
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
                    label="cleared"
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
          No to {unanswered.length === 1 ? "the last one" : `the other ${unanswered.length}`}
        </Button>
      )}
    </Box>
  );
}
