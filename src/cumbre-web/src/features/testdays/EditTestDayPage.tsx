import Alert from "@mui/material/Alert";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Link, useNavigate, useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Battery, Benchmark, RosterRow, Sheet } from "../../shared/api/types";
import { benchmarksQuery } from "../../shared/athletes/useAthlete";
import { rosterQuery } from "../../shared/athletes/useRoster";
import type { Kind } from "../../shared/drafts/draft";
import { mergeFields } from "../../shared/drafts/merge";
import { Clashes, Restored } from "../../shared/drafts/Saving";
import { useDraft } from "../../shared/drafts/useDraft";
import { newId } from "../../shared/ui/newId";
import { Failed, FailedPage, Loading } from "../../shared/ui/states";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { proposalQuery, sheetQuery, useSaveSheet } from "./queries";
import { athletesOnASheet, decides, leftOut, minutes, reasonWord, testsOnASheet, waiting } from "./wording";
import { Field } from "../../shared/ui/Field";
import { ManyField } from "../../shared/ui/ManyField";
import { say } from "../../words/testdays";
import { inSentence } from "../../shared/ui/nameWords";

/** Who is tested in what: the proposal, and what the coach makes of it. */
export default function EditTestDayPage() {
  const { id } = useParams();
  const roster = useQuery(rosterQuery());
  const benchmarks = useQuery(benchmarksQuery);
  const sheet = useQuery({ ...sheetQuery(id ?? ""), enabled: id !== undefined });
  const failed = [roster, benchmarks, sheet].find((q) => q.isError);
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  if (!roster.data || !benchmarks.data || (id !== undefined && !sheet.data))
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return <Form roster={roster.data} benchmarks={benchmarks.data} sheet={sheet.data ?? null} />;
}

/** What is edited of a test day. */
interface TestDayDoc {
  id: string;
  name: string;
  day: string;
  athletes: string[];
  /** Null: the tests of the proposal. */
  own: string[] | null;
}

const docOf = (sheet: Sheet | null, today: string): TestDayDoc =>
  sheet
    ? {
        id: sheet.id,
        name: sheet.name,
        day: sheet.day,
        athletes: sheet.athletes.map((a) => a.id),
        own: sheet.tests.map((t) => t.slug),
      }
    : { id: newId(), name: say("testDay"), day: today, athletes: [], own: null };

function Form({ roster, benchmarks, sheet }: { roster: RosterRow[]; benchmarks: Benchmark[]; sheet: Sheet | null }) {
  const navigate = useNavigate();
  const { today } = useSignedIn();
  const [stored] = useState(() => ({ doc: docOf(sheet, today), version: sheet?.version ?? 0 }));
  const { mutateAsync } = useSaveSheet();
  const kind: Kind<TestDayDoc> = {
    title: sheet ? say("testDay2", { name: sheet.name }) : say("aNewTestDay"),
    path: sheet ? `/test-days/${sheet.id}/edit` : "/test-days/new",
    auto: false,
    // Until the coach changes them, the tests are those of the proposal.
    send: ({ own, ...doc }, version) => mutateAsync({ ...doc, tests: own ?? tests, version }),
    theirs: (current) => {
      const found = current as Sheet | null;
      return found && { doc: docOf(found, today), version: found.version };
    },
    merge: (base, mine, theirs) =>
      mergeFields(
        base,
        mine,
        theirs,
        (field, doc) => ({
          where: { id: "", name: say("name"), day: "Day", athletes: "Athletes", own: "Tests" }[field],
          text: field === "own" ? (doc.own ?? []).map(nameOf).join(", ") : String(doc[field] ?? ""),
        }),
        ["athletes"],
      ),
  };
  const { draft, now, ...saving } = useDraft(`test-day:${sheet?.id ?? "new"}`, stored, kind);
  const { id, name, day, athletes, own } = now;
  const change = (part: Partial<TestDayDoc>) => draft.edit((d) => ({ ...d, ...part }), Object.keys(part).join());
  const setOwn = (next: string[] | null) => draft.edit((d) => ({ ...d, own: next }));
  useHotkeys("mod+z", draft.undo, { enableOnFormTags: true, preventDefault: true });
  useHotkeys("mod+shift+z, mod+y", draft.redo, { enableOnFormTags: true, preventDefault: true });
  const proposal = useQuery(proposalQuery(athletes));
  const tests = own ?? proposal.data?.tests.map((t) => t.slug) ?? [];
  const tooMany = athletes.length > athletesOnASheet;
  const left = own === null && tests.length === testsOnASheet ? leftOut(proposal.data?.athletes ?? [], tests) : [];
  const errorAt = (path: string) => saving.failure?.fields.find((f) => f.path.startsWith(path))?.message;
  const nameOf = (slug: string) => benchmarks.find((b) => b.slug === slug)?.name ?? slug;
  const moveTest = (index: number, by: number) => {
    const next = [...tests];
    const [moved] = next.splice(index, 1);
    next.splice(index + by, 0, moved!);
    setOwn(next);
  };
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        // A new one is stored as it was proposed, though nothing was changed.
        void draft.store(true).then((done) => done && navigate(`/test-days/${id}`));
      }}
      sx={{ px: { xs: 4, sm: 6 }, py: 4 }}
    >
      <Typography variant="h1" sx={{ mb: 3 }}>
        {sheet ? say("athletesAndTests", { name: sheet.name }) : say("newTestDay")}
      </Typography>
      <Restored at={saving.restored} undo={saving.canUndo ? draft.undo : undefined} seen={draft.seen} />
      <Clashes clashes={saving.clashes} who={null} decide={draft.decide} />
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", my: 4 }}>
        <Field
          label={say("name")}
          value={name}
          onChange={(e) => change({ name: e.target.value })}
          problem={errorAt("name")}
          sx={{ width: 260 }}
        />
        <Field
          label={say("day")}
          type="date"
          value={day}
          onChange={(e) => change({ day: e.target.value })}
          problem={errorAt("day")}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 180 }}
        />
      </Box>
      <ManyField
        label={say("athletes")}
        stayOpen
        options={roster.map((r) => r.id)}
        chosen={athletes}
        nameOf={(a) => roster.find((r) => r.id === a)?.name ?? say("gone")}
        onChange={(chosen) => change({ athletes: chosen })}
        problem={
          tooMany ? say("mostOnASheet", { most: athletesOnASheet, count: athletes.length }) : errorAt("athletes")
        }
        help={say("whoComes")}
        sx={{ maxWidth: 900 }}
      />
      {athletes.length < roster.length && roster.length <= athletesOnASheet && (
        <Button size="small" variant="text" onClick={() => change({ athletes: roster.map((r) => r.id) })}>
          {say("everybody")}
        </Button>
      )}
      <Box
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "minmax(0,1fr) minmax(0,1fr)" }, gap: 8, mt: 4 }}
      >
        <section aria-label={say("tests")}>
          <Typography variant="h2">{say("tests")}</Typography>
          <Typography variant="body2" color="textSecondary">
            {say("inThisOrderSoThatOneDoes")}
          </Typography>
          <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
            {tests.map((slug, i) => (
              <Box
                component="li"
                key={slug}
                sx={(t) => ({
                  display: "flex",
                  alignItems: "center",
                  borderBottom: `1px solid ${t.vars.palette.divider}`,
                  fontSize: 14,
                })}
              >
                <Box sx={{ mr: "auto" }}>
                  {i + 1}. {nameOf(slug)}
                </Box>
                <Button
                  size="small"
                  variant="text"
                  disabled={i === 0}
                  onClick={() => moveTest(i, -1)}
                  aria-label={`Up: ${nameOf(slug)}`}
                >
                  {say("up")}
                </Button>
                <Button
                  size="small"
                  variant="text"
                  disabled={i === tests.length - 1}
                  onClick={() => moveTest(i, 1)}
                  aria-label={say("down", { slug: nameOf(slug) })}
                >
                  {say("down2")}
                </Button>
                <Button
                  size="small"
                  variant="text"
                  onClick={() => setOwn(tests.filter((t) => t !== slug))}
                  aria-label={say("leaveOut", { slug: nameOf(slug) })}
                >
                  {say("leaveOut2")}
                </Button>
              </Box>
            ))}
          </Box>
          {tests.length === 0 && !(athletes.length > 0 && proposal.isPending) && (
            <Typography variant="body2">
              {athletes.length === 0 ? say("chooseWhoComes") : say("nothingIsOpenForThemAddA")}
            </Typography>
          )}
          {left.length > 0 && (
            <Typography variant="body2" sx={{ mt: 2 }}>
              {say("notOnTheSheet", { most: testsOnASheet, left: left.join(", ") })}
            </Typography>
          )}
          {errorAt("tests") && (
            <Typography color="error" variant="body2" role="alert">
              {errorAt("tests")}
            </Typography>
          )}
          <Autocomplete
            options={benchmarks.map((b) => b.slug).filter((b) => !tests.includes(b))}
            value={null}
            blurOnSelect
            clearOnBlur
            getOptionLabel={nameOf}
            onChange={(_, slug) => slug && setOwn([...tests, slug])}
            renderInput={(params) => <TextField {...params} label={say("addATest")} sx={{ mt: 3 }} />}
          />
          {own !== null && proposal.data && (
            <Button size="small" variant="text" onClick={() => setOwn(null)}>
              {say("backToTheProposal")}
            </Button>
          )}
        </section>
        <section aria-label={say("proposal")}>
          <Typography variant="h2">{say("whatTheGoalsAsk")}</Typography>
          {proposal.isError && <Failed error={proposal.error} retry={() => void proposal.refetch()} />}
          {athletes.length > 0 && !tooMany && proposal.isPending && <Loading rows={2} />}
          {proposal.data?.athletes.map((b) => (
            <BatteryOf key={b.athleteId} battery={b} />
          ))}
        </section>
      </Box>
      {saving.failure && saving.failure.fields.length === 0 && (
        <Alert severity="warning" sx={{ mt: 3 }}>
          {saving.failure.message}
        </Alert>
      )}
      {saving.state === "unreachable" && (
        <Typography role="status" variant="body2" sx={{ mt: 3 }}>
          {say("theServerCannotBeReachedThisIs")}
        </Typography>
      )}
      <Box sx={{ mt: 4, display: "flex", gap: 3 }}>
        <Button
          type="submit"
          variant="contained"
          color="secondary"
          disabled={
            saving.state === "saving" ||
            saving.state === "clash" ||
            tooMany ||
            (own === null && athletes.length > 0 && proposal.isPending)
          }
        >
          {sheet ? say("save") : say("openTheSheet")}
        </Button>
        <Button component={Link} to={sheet ? `/test-days/${sheet.id}` : "/test-days"}>
          {say("cancel")}
        </Button>
      </Box>
    </Box>
  );
}

function BatteryOf({ battery: b }: { battery: Battery }) {
  const unit = useUnit();
  return (
    <Box sx={(t) => ({ borderBottom: `1px solid ${t.vars.palette.divider}`, py: 2, fontSize: 13, lineHeight: "19px" })}>
      <b>{b.name}</b>,{" "}
      <WhyFigure
        figure={{
          key: `battery-${b.athleteId}`,
          shown: minutes(b.time.value.number),
          subject: say("timeOfTheTests", { name: b.name }),
          why: b.time.why,
        }}
      />
      {!b.hasGoals && (
        <>
          {" "}
          · <Link to={`/athletes/${b.athleteId}/intake`}>{say("noGoalsYet")}</Link>
        </>
      )}
      <Box component="ul" sx={{ m: 0, pl: 4 }}>
        {b.tests.map((t) => (
          <li key={t.slug}>
            {t.name}: {reasonWord[t.reason]}
            {t.decides.map((d) => `; ${decides(d, unit)}`)}
          </li>
        ))}
        {b.later.length > 0 && <li>{say("anotherEvening", { later: b.later.map((t) => t.name).join(", ") })}</li>}
        {b.blocked.length > 0 && (
          <li>
            {say("notBeforeClearance", {
              blocked: b.blocked.map((t) => `${t.name} (${inSentence(t.question)})`).join(", "),
            })}
          </li>
        )}
        {waiting(b.waiting, unit).map((line) => (
          <li key={line}>{line}</li>
        ))}
        {b.tests.length + b.later.length + b.blocked.length + b.waiting.length === 0 && b.hasGoals && (
          <li>{say("noGateOfAGoalIsOpen")}</li>
        )}
      </Box>
    </Box>
  );
}
