import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSignedIn } from "../../../shared/account/useMe";
import { Problem } from "../../../shared/api/client";
import type { MeasuredLineRequest, MeasuredLines, PicturePoint } from "../../../shared/api/types";
import { announce } from "../../../shared/ui/announce";
import { Field } from "../../../shared/ui/Field";
import { Failed, Loading, messageOf } from "../../../shared/ui/states";
import { useSettled } from "../../../shared/ui/useSettled";
import { useWidth } from "../../../shared/ui/useWidth";
import { say } from "../../../words/linemeter";
import { Measured } from "./Measured";
import { MarkedPicture } from "./MarkedPicture";
import { firstMarks, meanOf, type Shot } from "./picture";
import { linesQuery, readingQuery, useLines } from "./queries";
import { Said } from "./Said";
import { Source } from "./Source";

/** Lines measured in side pictures: what was held, how it compares with the time before, and who may keep the picture. */
export default function LineMeter({
  athleteId,
  ladder,
  training,
}: {
  athleteId: string;
  ladder: string;
  /** The step in training, which is measured first. */
  training: string | null;
}) {
  const { isCoach } = useSignedIn();
  const lines = useQuery(linesQuery(athleteId, ladder));
  if (lines.isPending) return <Loading />;
  if (lines.isError) return <Failed error={lines.error} retry={() => void lines.refetch()} />;
  return (
    <Box component="section" aria-label={say("lineMeter")} sx={{ py: 3, maxWidth: 980 }}>
      <Typography variant="h2">{say("lineMeter")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 2, maxWidth: 760 }}>
        {say("lineMeterHelp")}
      </Typography>
      {isCoach && <New lines={lines.data} athleteId={athleteId} ladder={ladder} training={training} />}
      <Measured lines={lines.data} athleteId={athleteId} ladder={ladder} />
    </Box>
  );
}

function New({
  lines,
  athleteId,
  ladder,
  training,
}: {
  lines: MeasuredLines;
  athleteId: string;
  ladder: string;
  training: string | null;
}) {
  const [step, setStep] = useState(() => (lines.steps.find((s) => s.step === training) ?? lines.steps[0])?.step ?? "");
  const [taken, setTaken] = useState<{ shot: Shot; marks: PicturePoint[]; moved: boolean } | null>(null);
  const named = lines.steps.find((s) => s.step === step);
  if (!named) return null;
  return (
    <>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", alignItems: "center", mb: 3 }}>
        <TextField
          select
          size="small"
          fullWidth={false}
          label={say("asked")}
          value={step}
          onChange={(e) => setStep(e.target.value)}
          sx={{ width: 200 }}
        >
          {lines.steps.map((s) => (
            <MenuItem key={s.step} value={s.step}>
              {s.name}
            </MenuItem>
          ))}
        </TextField>
        <Source
          athleteId={athleteId}
          ladder={ladder}
          step={step}
          hasCamera={lines.hasCamera}
          onShot={(shot) =>
            setTaken({ shot, marks: shot.frames ? meanOf(shot.frames) : firstMarks(shot), moved: shot.frames !== null })
          }
        />
      </Box>
      {taken && (
        <Marking
          shot={taken.shot}
          marks={taken.marks}
          // A camera's own marks count as set; a person's begin somewhere.
          ready={taken.moved}
          step={{ slug: step, name: named.name }}
          lines={lines}
          athleteId={athleteId}
          ladder={ladder}
          onMove={(marks) => setTaken({ shot: { ...taken.shot, frames: null }, marks, moved: true })}
          onDone={() => setTaken(null)}
        />
      )}
    </>
  );
}

function Marking({
  shot,
  marks,
  ready,
  step,
  lines,
  athleteId,
  ladder,
  onMove,
  onDone,
}: {
  shot: Shot;
  marks: PicturePoint[];
  ready: boolean;
  step: { slug: string; name: string };
  lines: MeasuredLines;
  athleteId: string;
  ladder: string;
  onMove: (marks: PicturePoint[]) => void;
  onDone: () => void;
}) {
  const { today } = useSignedIn();
  const [width, ref] = useWidth();
  const [day, setDay] = useState<string>(today);
  const [keep, setKeep] = useState(false);
  const [keptAs, setKeptAs] = useState<"Athlete" | "Guardian" | "Paper">(lines.isMinor ? "Guardian" : "Athlete");
  const [name, setName] = useState("");
  const frames = shot.frames ?? [marks];
  const reading = useQuery({ ...readingQuery(athleteId, ladder, step.slug, useSettled(frames, 120)), enabled: ready });
  const { save } = useLines(athleteId, ladder);
  const error = (field: string) =>
    save.error instanceof Problem ? save.error.fields.find((f) => f.path === field)?.message : undefined;
  const request: MeasuredLineRequest = {
    step: step.slug,
    day,
    frames,
    width: shot.width,
    height: shot.height,
    picture: keep ? { data: shot.image.split(",")[1] ?? "", as: keptAs, name } : null,
  };
  return (
    <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start", mb: 4 }}>
      <Box ref={ref} sx={{ flex: "1 1 420px", minWidth: 0, maxWidth: 560 }}>
        <MarkedPicture
          image={shot.image}
          width={shot.width}
          height={shot.height}
          marks={marks}
          size={Math.max(240, Math.min(560, width || 560))}
          label={say("pictureToMark")}
          onMove={onMove}
        />
      </Box>
      <Box sx={{ flex: "1 1 320px", minWidth: 0 }}>
        {!ready && <Typography color="textSecondary">{say("putMarks")}</Typography>}
        {ready && reading.isError && <Alert severity="warning">{messageOf(reading.error)}</Alert>}
        {ready && reading.data && <Said reading={reading.data} step={step.name} />}
        <Box
          component="form"
          noValidate
          aria-label={say("keepLine")}
          onSubmit={(e) => {
            e.preventDefault();
            save.mutate(request, {
              onSuccess: () => {
                announce(say("lineSaved"));
                onDone();
              },
            });
          }}
          sx={{ mt: 3, display: "grid", gap: 2, maxWidth: 420 }}
        >
          <Field
            type="date"
            label={say("day")}
            value={day}
            onChange={(e) => setDay(e.target.value)}
            problem={error("day")}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <FormControlLabel
            control={<Checkbox size="small" checked={keep} onChange={(_, on) => setKeep(on)} />}
            label={say("keepPicture")}
          />
          {keep && (
            <>
              <Typography variant="body2" color="textSecondary">
                {lines.isMinor ? say("guardianSays") : say("personSays")}
              </Typography>
              <Field
                select
                label={say("whoSaysSo")}
                value={keptAs}
                onChange={(e) => setKeptAs(e.target.value as typeof keptAs)}
                problem={error("picture.as")}
              >
                {!lines.isMinor && <MenuItem value="Athlete">{say("asAthlete")}</MenuItem>}
                <MenuItem value="Guardian">{say("asGuardian")}</MenuItem>
                <MenuItem value="Paper">{say("onPaper")}</MenuItem>
              </Field>
              <Field
                label={say("name")}
                value={name}
                onChange={(e) => setName(e.target.value)}
                problem={error("picture.name") ?? error("picture.data")}
              />
            </>
          )}
          {save.error && !(save.error instanceof Problem && save.error.fields.length > 0) && (
            <Alert severity="warning">{messageOf(save.error)}</Alert>
          )}
          {error("frames") && <Alert severity="warning">{error("frames")}</Alert>}
          <Box sx={{ display: "flex", gap: 2 }}>
            <Button type="submit" variant="contained" color="secondary" disabled={!ready || save.isPending}>
              {say("save")}
            </Button>
            <Button onClick={onDone}>{say("discard")}</Button>
          </Box>
        </Box>
      </Box>
    </Box>
  );
}
