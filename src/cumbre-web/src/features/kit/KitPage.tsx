import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import { Problem } from "../../shared/api/client";
import type { GearKind, KitBook, MassUnit, PieceSort } from "../../shared/api/types";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { mass, unitName } from "../../shared/ui/format";
import { stockSorts } from "../../shared/ui/pieces";
import { newId } from "../../shared/ui/newId";
import { FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { gearWord, type KitErrors, type KitText, requestOf, textOf } from "./draft";
import { Loads } from "./Loads";
import { type Measured, MeasureDialog } from "./MeasureDialog";
import { kitQuery, useSaveKit } from "./queries";
import { Term } from "../../shared/ui/Term";
import { Field } from "../../shared/ui/Field";
import { say as word } from "../../words/common";
import type { TermId } from "../../words/glossary";
import { say } from "../../words/kit";

/** What there is to train with: the club's, or an athlete's at home. */
export default function KitPage() {
  const { athleteId } = useParams();
  const kit = useQuery(kitQuery(athleteId));
  if (kit.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (kit.isError) return <FailedPage error={kit.error} retry={() => void kit.refetch()} />;
  return <Form key={athleteId ?? "club"} book={kit.data} athleteId={athleteId} />;
}

function Form({ book, athleteId }: { book: KitBook; athleteId: string | undefined }) {
  const { today, isClub, gauge } = useSignedIn();
  const unit = useUnit();
  const ofClub = athleteId === undefined;
  const [text, setText] = useState(() => textOf(book, unit));
  const [shown, setShown] = useState<KitErrors>({});
  const [measuring, setMeasuring] = useState<string | null>(null);
  // The gym kit is the whole club’s.
  const mayWrite = !ofClub || isClub;
  const save = useSaveKit(athleteId);
  const server: KitErrors =
    save.error instanceof Problem ? Object.fromEntries(save.error.fields.map((f) => [f.path, f.message])) : {};
  const error = (path: string) => shown[path] ?? server[path];
  const dirty = JSON.stringify(text) !== JSON.stringify(textOf(book, unit));
  const conflict = save.error instanceof Problem && save.error.isConflict ? (save.error.current as KitBook) : null;
  const send = (version: number) => {
    const { body, errors } = requestOf(text, version);
    setShown(errors);
    if (Object.keys(errors).length === 0) save.mutate(body, { onSuccess: (saved) => setText(textOf(saved, unit)) });
  };
  const row = <K extends "plates" | "bands" | "counted" | "gear">(
    list: K,
    index: number,
    change: Partial<KitText[K][number]>,
  ) => setText((t) => ({ ...t, [list]: t[list].map((r, i) => (i === index ? { ...r, ...change } : r)) }));
  const drop = (list: "plates" | "bands" | "counted" | "gear", index: number) =>
    setText((t) => ({ ...t, [list]: t[list].filter((_, i) => i !== index) }));
  const field = (
    path: string,
    label: string,
    value: string,
    set: (v: string) => void,
    width: number,
    help?: string,
  ) => (
    <Field
      label={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      problem={error(path)}
      help={help}
      sx={{ width }}
    />
  );
  return (
    <>
      <Box sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2 }}>
        <Typography variant="h1">{ofClub ? say("kitOfTheHall") : book.name}</Typography>
        {!ofClub && (
          <Typography variant="body2" color="textSecondary">
            {say("kitAtHome")}
          </Typography>
        )}
      </Box>
      {!ofClub && <AthleteTabs athleteId={athleteId} />}
      <Box
        component="form"
        noValidate
        aria-label={say("kit")}
        onSubmit={(e) => {
          e.preventDefault();
          send(book.version);
        }}
        sx={{ px: { xs: 4, sm: 6 }, py: 3, display: "grid", gap: 6, maxWidth: 1100 }}
      >
        <Section title={say("toHang")} note={say("platesAndDumbbellsHangOnTheBelt")}>
          <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", mb: 3 }}>
            <FormControlLabel
              control={<Switch checked={text.hasBelt} onChange={(_, hasBelt) => setText((t) => ({ ...t, hasBelt }))} />}
              label={say("beltWithAChain")}
            />
            {field(
              "kit.vest",
              say("vestIn", { unit: unitName[text.vestUnit] }),
              text.vest,
              (vest) => setText((t) => ({ ...t, vest })),
              110,
              word("emptyNone"),
            )}
          </Box>
          {text.plates.map((p, i) => (
            <Row key={i} onRemove={() => drop("plates", i)} label={say("piece", { i: i + 1 })}>
              <TextField
                select
                label={say("what")}
                value={p.sort}
                onChange={(e) => row("plates", i, { sort: e.target.value as PieceSort })}
                sx={{ width: 130 }}
              >
                {stockSorts.map((s) => (
                  <MenuItem key={s.sort} value={s.sort}>
                    {s.name}
                  </MenuItem>
                ))}
              </TextField>
              {field(`kit.plates[${i}].size`, say("size"), p.size, (size) => row("plates", i, { size }), 110)}
              <TextField
                select
                label={say("unit")}
                value={p.unit}
                onChange={(e) => row("plates", i, { unit: e.target.value as MassUnit })}
                sx={{ width: 80 }}
              >
                <MenuItem value="Kg">{say("kg")}</MenuItem>
                <MenuItem value="Lb">{say("lb")}</MenuItem>
              </TextField>
              {field(`kit.plates[${i}].count`, say("howMany"), p.count, (count) => row("plates", i, { count }), 110)}
            </Row>
          ))}
          {error("kit.plates") && (
            <Typography color="error" variant="body2" role="alert">
              {error("kit.plates")}
            </Typography>
          )}
          <Button
            size="small"
            onClick={() =>
              setText((t) => ({ ...t, plates: [...t.plates, { sort: "Plate", size: "", unit, count: "2" }] }))
            }
          >
            {say("addASize")}
          </Button>
        </Section>
        <Loads book={book} />
        <Section title={say("bands")} term="assistance" note={say("helpAtThreePlacesOfTheMovement")}>
          {text.bands.map((b, i) => {
            const help = book.helps.find((h) => h.id === b.id);
            return (
              <Row key={b.id} onRemove={() => drop("bands", i)} label={say("band", { name: b.name })}>
                {field(`bands[${i}].name`, "Band", b.name, (name) => row("bands", i, { name }), 120)}
                {field(`bands[${i}].bottomKg`, say("bottomKg"), b.bottom, (bottom) => row("bands", i, { bottom }), 105)}
                {field(`bands[${i}].middleKg`, say("middleKg"), b.middle, (middle) => row("bands", i, { middle }), 105)}
                {field(`bands[${i}].topKg`, say("topKg"), b.top, (top) => row("bands", i, { top }), 105)}
                <Field
                  label={say("measured")}
                  type="date"
                  value={b.measuredOn}
                  onChange={(e) => row("bands", i, { measuredOn: e.target.value })}
                  problem={error(`bands[${i}].measuredOn`)}
                  slotProps={{ inputLabel: { shrink: true } }}
                  sx={{ width: 150 }}
                />
                {gauge !== "None" && (
                  <Button
                    size="small"
                    onClick={() => setMeasuring(b.id)}
                    aria-label={say("measure", { name: b.name || say("theBand") })}
                  >
                    {say("measure2")}
                  </Button>
                )}
                {help && (
                  <Box sx={{ fontSize: 13, minWidth: 130 }}>
                    {say("helps")}{" "}
                    <WhyFigure
                      figure={{
                        key: `band-${b.id}`,
                        shown: mass(help.help.value.number ?? 0, unit, 1),
                        subject: say("helpOfTheBand", { name: b.name }),
                        why: help.help.why,
                      }}
                    />
                    {help.stale && (
                      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
                        <StatusShape status="caution" title="" />
                        {say("measureAgain")}
                      </Box>
                    )}
                  </Box>
                )}
              </Row>
            );
          })}
          <Button
            size="small"
            onClick={() =>
              setText((t) => ({
                ...t,
                bands: [...t.bands, { id: newId(), name: "", bottom: "", middle: "", top: "", measuredOn: today }],
              }))
            }
          >
            {say("addABand")}
          </Button>
        </Section>
        <Section title={say("countedLoad")} note={say("aBackpackOfBooksWeighOneOr")}>
          {text.counted.map((c, i) => (
            <Row key={c.id} onRemove={() => drop("counted", i)} label={c.name || say("countedLoad2")}>
              {field(`counted[${i}].name`, say("oneIsA"), c.name, (name) => row("counted", i, { name }), 150)}
              {field(`counted[${i}].count`, say("howMany"), c.count, (count) => row("counted", i, { count }), 110)}
              {field(
                `counted[${i}].unit`,
                say("oneWeighsKg"),
                c.unit,
                (value) => row("counted", i, { unit: value }),
                150,
                say("emptyNeverWeighedOnlyCounted"),
              )}
            </Row>
          ))}
          <Button
            size="small"
            onClick={() =>
              setText((t) => ({ ...t, counted: [...t.counted, { id: newId(), name: "", count: "", unit: "" }] }))
            }
          >
            {say("addACountedLoad")}
          </Button>
        </Section>
        <Section title={say("barsBoxesRings")} note={say("whatIsSetUpTheSameWay")}>
          {text.gear.map((g, i) => (
            <Row key={g.id} onRemove={() => drop("gear", i)} label={g.name || gearWord[g.kind]}>
              <TextField
                select
                label={say("kind")}
                value={g.kind}
                onChange={(e) => row("gear", i, { kind: e.target.value as GearKind })}
                sx={{ width: 140 }}
              >
                {Object.entries(gearWord).map(([value, word]) => (
                  <MenuItem key={value} value={value}>
                    {word}
                  </MenuItem>
                ))}
              </TextField>
              {field(`gear[${i}].name`, word("name"), g.name, (name) => row("gear", i, { name }), 170)}
              {field(`gear[${i}].heightCm`, say("heightCm"), g.height, (height) => row("gear", i, { height }), 105)}
              {field(`gear[${i}].widthCm`, say("widthCm"), g.width, (width) => row("gear", i, { width }), 105)}
              {field(`gear[${i}].note`, word("note"), g.note, (note) => row("gear", i, { note }), 200)}
            </Row>
          ))}
          {text.gear.length === 0 && (
            <FormControlLabel
              control={
                <Checkbox
                  size="small"
                  checked={text.hasNoGear}
                  onChange={(_, hasNoGear) => setText((t) => ({ ...t, hasNoGear }))}
                />
              }
              label={say("noGear")}
            />
          )}
          <Button
            size="small"
            onClick={() =>
              setText((t) => ({
                ...t,
                gear: [...t.gear, { id: newId(), kind: "Bar", name: "", height: "", width: "", note: "" }],
              }))
            }
          >
            {say("addGear")}
          </Button>
        </Section>
        <Alert severity="info" icon={<StatusShape status="caution" title="" />}>
          {say("barsStrapsDoorBarsAndTreesMust")}
        </Alert>
        {conflict && (
          <Alert severity="warning">
            {say("whatYouTypedIsStillHere", { error: messageOf(save.error) })}
            <Box sx={{ mt: 1, display: "flex", gap: 2 }}>
              <Button size="small" onClick={() => send(conflict.version)}>
                {say("saveMineOverIt")}
              </Button>
              <Button
                size="small"
                onClick={() => {
                  setText(textOf(conflict, unit));
                  save.reset();
                }}
              >
                {say("takeTheStoredOne")}
              </Button>
            </Box>
          </Alert>
        )}
        <Box sx={{ display: "flex", gap: 3, alignItems: "center" }}>
          <Button type="submit" variant="contained" color="secondary" disabled={save.isPending || !mayWrite}>
            {say("save")}
          </Button>
          {!mayWrite && (
            <Typography variant="body2" color="textSecondary">
              {say("onlyCoachesOfAll")}
            </Typography>
          )}
          <Typography variant="body2" color="textSecondary" role="status">
            {dirty ? say("notSaved") : save.isSuccess ? word("saved") : ""}
          </Typography>
          {save.error && !conflict && Object.keys(server).length === 0 && (
            <Typography color="error" role="alert">
              {messageOf(save.error)}
            </Typography>
          )}
        </Box>
      </Box>
      {measuring !== null && (
        <MeasureDialog
          name={text.bands.find((b) => b.id === measuring)?.name ?? ""}
          isSimulated={gauge === "Simulated"}
          onClose={() => setMeasuring(null)}
          onDone={(measured: Measured) => {
            row(
              "bands",
              text.bands.findIndex((b) => b.id === measuring),
              { ...measured, measuredOn: today },
            );
            setMeasuring(null);
          }}
        />
      )}
    </>
  );
}

function Section({
  title,
  term,
  note,
  children,
}: {
  title: string;
  term?: TermId;
  note?: string;
  children: React.ReactNode;
}) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h2">{term ? <Term id={term}>{title}</Term> : title}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {note}
      </Typography>
      {children}
    </Box>
  );
}

function Row({ label, onRemove, children }: { label: string; onRemove: () => void; children: React.ReactNode }) {
  return (
    <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "flex-start", mb: 3 }}>
      {children}
      <Button variant="text" onClick={onRemove} aria-label={say("remove", { label })} sx={{ minHeight: 40 }}>
        {say("remove2")}
      </Button>
    </Box>
  );
}
