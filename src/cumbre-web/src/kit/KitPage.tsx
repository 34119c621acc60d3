import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import { Problem } from "../api/client";
import type { GearKind, KitBook, MassUnit, PieceSort } from "../api/types";
import { AthleteTabs } from "../athlete/AthleteTabs";
import { mass } from "../ui/format";
import { stockSorts } from "../ui/pieces";
import { newId } from "../ui/newId";
import { Failed, Loading, messageOf } from "../ui/states";
import { StatusShape } from "../ui/StatusShape";
import { WhyFigure } from "../why/WhyFigure";
import { gearWord, type KitErrors, type KitText, requestOf, textOf } from "./draft";
import { Loads } from "./Loads";
import { type Measured, MeasureDialog } from "./MeasureDialog";
import { kitQuery, useSaveKit } from "./queries";

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
  if (kit.isError)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={kit.error} retry={() => void kit.refetch()} />
      </Box>
    );
  return <Form key={athleteId ?? "club"} book={kit.data} athleteId={athleteId} />;
}

function Form({ book, athleteId }: { book: KitBook; athleteId: string | undefined }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const ofClub = athleteId === undefined;
  const [text, setText] = useState(() => textOf(book));
  const [shown, setShown] = useState<KitErrors>({});
  const [measuring, setMeasuring] = useState<string | null>(null);
  const save = useSaveKit(athleteId);
  const server: KitErrors =
    save.error instanceof Problem ? Object.fromEntries(save.error.fields.map((f) => [f.path, f.message])) : {};
  const error = (path: string) => shown[path] ?? server[path];
  const dirty = JSON.stringify(text) !== JSON.stringify(textOf(book));
  const conflict = save.error instanceof Problem && save.error.isConflict ? (save.error.current as KitBook) : null;
  const send = (version: number) => {
    const { body, errors } = requestOf(text, version, ofClub);
    setShown(errors);
    if (Object.keys(errors).length === 0) save.mutate(body, { onSuccess: (saved) => setText(textOf(saved)) });
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
    <TextField
      label={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      error={error(path) !== undefined}
      helperText={error(path) ?? help}
      sx={{ width }}
    />
  );
  return (
    <>
      <Box sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2 }}>
        <Typography variant="h1">{ofClub ? "Kit of the hall" : book.name}</Typography>
        {!ofClub && (
          <Typography variant="body2" color="textSecondary">
            at home; plates, belt and vest are under <Link to={`/athletes/${athleteId}/profile`}>Profile</Link>
          </Typography>
        )}
      </Box>
      {!ofClub && <AthleteTabs athleteId={athleteId} />}
      <Box
        component="form"
        noValidate
        aria-label="Kit"
        onSubmit={(e) => {
          e.preventDefault();
          send(book.version);
        }}
        sx={{ px: { xs: 4, sm: 6 }, py: 3, display: "grid", gap: 6, maxWidth: 1100 }}
      >
        {ofClub && (
          <Section
            title="To hang"
            note="plates and dumbbells hang on the belt, chains lie over the shoulders, vest weights go into the vest; a drop set sheds the vest whole"
          >
            <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", mb: 3 }}>
              <FormControlLabel
                control={
                  <Switch checked={text.hasBelt} onChange={(_, hasBelt) => setText((t) => ({ ...t, hasBelt }))} />
                }
                label="Belt with a chain"
              />
              {field("kit.vest", "Vest, kg", text.vest, (vest) => setText((t) => ({ ...t, vest })), 110, "empty: none")}
            </Box>
            {text.plates.map((p, i) => (
              <Row key={i} onRemove={() => drop("plates", i)} label={`piece ${i + 1}`}>
                <TextField
                  select
                  label="What"
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
                {field(`kit.plates[${i}].size`, `Size ${i + 1}`, p.size, (size) => row("plates", i, { size }), 110)}
                <TextField
                  select
                  label="Unit"
                  value={p.unit}
                  onChange={(e) => row("plates", i, { unit: e.target.value as MassUnit })}
                  sx={{ width: 80 }}
                >
                  <MenuItem value="Kg">kg</MenuItem>
                  <MenuItem value="Lb">lb</MenuItem>
                </TextField>
                {field(`kit.plates[${i}].count`, "How many", p.count, (count) => row("plates", i, { count }), 110)}
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
              Add a size
            </Button>
          </Section>
        )}
        <Loads book={book} />
        <Section title="Bands" note="help at three places of the movement; the mean is used, good to about 15 %">
          {text.bands.map((b, i) => {
            const help = book.helps.find((h) => h.id === b.id);
            return (
              <Row key={b.id} onRemove={() => drop("bands", i)} label={`band ${b.name}`}>
                {field(`bands[${i}].name`, "Band", b.name, (name) => row("bands", i, { name }), 120)}
                {field(`bands[${i}].bottomKg`, "Bottom, kg", b.bottom, (bottom) => row("bands", i, { bottom }), 105)}
                {field(`bands[${i}].middleKg`, "Middle, kg", b.middle, (middle) => row("bands", i, { middle }), 105)}
                {field(`bands[${i}].topKg`, "Top, kg", b.top, (top) => row("bands", i, { top }), 105)}
                <TextField
                  label="Measured"
                  type="date"
                  value={b.measuredOn}
                  onChange={(e) => row("bands", i, { measuredOn: e.target.value })}
                  error={error(`bands[${i}].measuredOn`) !== undefined}
                  helperText={error(`bands[${i}].measuredOn`)}
                  slotProps={{ inputLabel: { shrink: true } }}
                  sx={{ width: 150 }}
                />
                <Button size="small" onClick={() => setMeasuring(b.id)} aria-label={`Measure ${b.name || "the band"}`}>
                  Measure
                </Button>
                {help && (
                  <Box sx={{ fontSize: 13, minWidth: 130 }}>
                    helps{" "}
                    <WhyFigure
                      figure={{
                        key: `band-${b.id}`,
                        shown: mass(help.help.value.number ?? 0, unit),
                        subject: `${b.name}: help of the band`,
                        why: help.help.why,
                      }}
                    />
                    {help.stale && (
                      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
                        <StatusShape status="caution" title="" />
                        measure again
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
            Add a band
          </Button>
        </Section>
        <Section title="Counted load" note="a backpack of books: weigh one, or only count">
          {text.counted.map((c, i) => (
            <Row key={c.id} onRemove={() => drop("counted", i)} label={c.name || "counted load"}>
              {field(`counted[${i}].name`, "One is a", c.name, (name) => row("counted", i, { name }), 150)}
              {field(`counted[${i}].count`, "How many", c.count, (count) => row("counted", i, { count }), 110)}
              {field(
                `counted[${i}].unit`,
                "One weighs, kg",
                c.unit,
                (value) => row("counted", i, { unit: value }),
                150,
                "empty: never weighed, only counted",
              )}
            </Row>
          ))}
          <Button
            size="small"
            onClick={() =>
              setText((t) => ({ ...t, counted: [...t.counted, { id: newId(), name: "", count: "", unit: "" }] }))
            }
          >
            Add a counted load
          </Button>
        </Section>
        <Section title="Bars, boxes, rings" note="what is set up the same way can be compared with last week">
          {text.gear.map((g, i) => (
            <Row key={g.id} onRemove={() => drop("gear", i)} label={g.name || gearWord[g.kind]}>
              <TextField
                select
                label="Kind"
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
              {field(`gear[${i}].name`, "Name", g.name, (name) => row("gear", i, { name }), 170)}
              {field(`gear[${i}].heightCm`, "Height, cm", g.height, (height) => row("gear", i, { height }), 105)}
              {field(`gear[${i}].widthCm`, "Width, cm", g.width, (width) => row("gear", i, { width }), 105)}
              {field(`gear[${i}].note`, "Note", g.note, (note) => row("gear", i, { note }), 200)}
            </Row>
          ))}
          <Button
            size="small"
            onClick={() =>
              setText((t) => ({
                ...t,
                gear: [...t.gear, { id: newId(), kind: "Bar", name: "", height: "", width: "", note: "" }],
              }))
            }
          >
            Add gear
          </Button>
        </Section>
        <Alert severity="info" icon={<StatusShape status="caution" title="" />}>
          Bars, straps, door bars and trees must bear the system mass with swing, at least three times; follow the
          maker’s rating and local rules. Look bands over for nicks.
        </Alert>
        {conflict && (
          <Alert severity="warning">
            {messageOf(save.error)} What you typed is still here.
            <Box sx={{ mt: 1, display: "flex", gap: 2 }}>
              <Button size="small" onClick={() => send(conflict.version)}>
                Save mine over it
              </Button>
              <Button
                size="small"
                onClick={() => {
                  setText(textOf(conflict));
                  save.reset();
                }}
              >
                Take the stored one
              </Button>
            </Box>
          </Alert>
        )}
        <Box sx={{ display: "flex", gap: 3, alignItems: "center" }}>
          <Button type="submit" variant="contained" color="secondary" disabled={save.isPending}>
            Save
          </Button>
          <Typography variant="body2" color="textSecondary" role="status">
            {dirty ? "not saved" : save.isSuccess ? "saved" : ""}
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

function Section({ title, note, children }: { title: string; note?: string; children: React.ReactNode }) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h2">{title}</Typography>
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
      <Button variant="text" onClick={onRemove} aria-label={`Remove ${label}`} sx={{ minHeight: 40 }}>
        Remove
      </Button>
    </Box>
  );
}
