import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { MassUnit, PackLoad } from "../../shared/api/types";
import { doseText, loadText, piecesText } from "../../shared/run/runText";
import { easierOf, loadOf, type Step } from "../../shared/run/session";
import type { Habits } from "../../shared/run/signals";
import type { Running } from "../../shared/run/useRun";
import { writtenAdded } from "../../shared/ui/format";
import { say } from "../../words/run";
import { Choices, Large, Primary } from "../../shared/run/Big";
import { takeEasier } from "./SetScreen";
import { Sheet } from "../../shared/run/Sheet";

type Page = "menu" | "load" | "setUp" | "note" | "skip" | "how";

/** What is needed seldom: another form, another load, how it was set up, a note, and leaving out. */
export function MoreSheet({
  running,
  step,
  unit,
  habits,
  onHabits,
  onClose,
}: {
  running: Running;
  step: Step;
  unit: MassUnit;
  habits: Habits;
  onHabits: (habits: Habits) => void;
  onClose: () => void;
}) {
  const [page, setPage] = useState<Page>("menu");
  const { item } = step;
  const { place } = running;
  const logged = item.sets.length > 0;
  const easier = item.pack.insteadOf ? [] : easierOf(item);
  const skip = (reason: string) => {
    running.note({ kind: "Skip", item: item.id, reason });
    running.move({ chosen: null });
    onClose();
  };
  switch (page) {
    case "load":
      return (
        <Sheet title={say("chooseLoad")} onClose={onClose}>
          <Loads
            choices={item.pack.choices}
            chosen={loadOf(step, place)}
            unit={unit}
            onChoose={(load) => {
              const key = item.plan!.loads.length === 1 ? item.id : step.key;
              running.move({ loads: { ...place.loads, [key]: load } });
              onClose();
            }}
          />
        </Sheet>
      );
    case "setUp":
      return <SetUpPage running={running} step={step} onClose={onClose} />;
    case "note":
      return <NotePage running={running} onClose={onClose} />;
    case "skip":
      return <SkipPage onSkip={skip} onClose={onClose} rest={logged} />;
    case "how":
      return (
        <Sheet title={item.movement.name} onClose={onClose}>
          <Typography sx={{ fontSize: 18, fontWeight: 600 }}>{say("standard")}</Typography>
          <Typography sx={{ fontSize: 18 }}>{item.movement.standard}</Typography>
          <Typography sx={{ fontSize: 18 }}>{say("bottomIs", { bottom: item.movement.bottom })}</Typography>
          {item.movement.cues.map((cue) => (
            <Typography key={cue} sx={{ fontSize: 18 }}>
              {cue}
            </Typography>
          ))}
        </Sheet>
      );
    case "menu":
      return (
        <Sheet title={item.movement.name} onClose={onClose}>
          <Large onClick={() => setPage("how")}>{say("how")}</Large>
          {easier.map((form) => (
            <Large
              key={form.id}
              onClick={() => {
                takeEasier(running, item, form);
                onClose();
              }}
            >
              {say("easierForm", { name: form.movement.name, line: doseText(form.plan.line) })}
            </Large>
          ))}
          {item.pack.choices.length > 0 && <Large onClick={() => setPage("load")}>{say("changeLoad")}</Large>}
          {item.movement.setUp.length > 0 && <Large onClick={() => setPage("setUp")}>{say("recordSetUp")}</Large>}
          {logged && <Large onClick={() => setPage("note")}>{say("addNote")}</Large>}
          <Large
            onClick={() => {
              const planned = Math.max(...(item.plan?.efforts ?? []).map((e) => e.set));
              const done = Math.max(planned, ...item.sets.map((s) => s.set));
              running.move({ extra: { ...place.extra, [item.id]: done - planned + 1 }, chosen: item.id });
              onClose();
            }}
          >
            {say("extraSet")}
          </Large>
          <Large onClick={() => setPage("skip")}>{logged ? say("skipRest") : say("skip")}</Large>
          <Typography sx={{ fontSize: 18, fontWeight: 600, mt: 4 }}>{say("settings")}</Typography>
          <Box sx={{ display: "grid", gridTemplateColumns: "repeat(3, 1fr)", gap: 2 }}>
            <Large pressed={habits.sound} onClick={() => onHabits({ ...habits, sound: !habits.sound })}>
              {say("sound")}
            </Large>
            <Large pressed={habits.vibration} onClick={() => onHabits({ ...habits, vibration: !habits.vibration })}>
              {say("vibration")}
            </Large>
            <Large pressed={habits.leftHanded} onClick={() => onHabits({ ...habits, leftHanded: !habits.leftHanded })}>
              {say("leftHanded")}
            </Large>
          </Box>
          <Typography color="textSecondary">{say("soundRefused")}</Typography>
        </Sheet>
      );
  }
}

function Loads({
  choices,
  chosen,
  unit,
  onChoose,
}: {
  choices: readonly PackLoad[];
  chosen: PackLoad;
  unit: MassUnit;
  onChoose: (load: PackLoad) => void;
}) {
  return (
    <Choices
      label={say("chooseLoad")}
      columns={2}
      height={60}
      value={choices.find((c) => c.added.value === chosen.added.value && c.added.unit === chosen.added.unit) ?? null}
      onChoose={onChoose}
      choices={choices.map((load) => ({
        value: load,
        text: load.band || load.added.value === 0 ? loadText(load, unit) : writtenAdded(load.added, unit),
        ...(load.pieces.length > 1 ? { more: piecesText(load.pieces, unit) } : {}),
      }))}
    />
  );
}

function SetUpPage({ running, step: { item }, onClose }: { running: Running; step: Step; onClose: () => void }) {
  const { place } = running;
  const [told, setTold] = useState<Record<string, string>>({ ...item.pack.setUp, ...place.setUps[item.id] });
  return (
    <Sheet title={say("recordSetUp")} onClose={onClose}>
      {item.movement.setUp.map((field) =>
        field.measure === "Choice" ? (
          <Box key={field.name}>
            <Typography sx={{ fontSize: 18, fontWeight: 600, mb: 2 }}>{field.name}</Typography>
            <Choices
              label={field.name}
              columns={Math.min(3, field.words.length)}
              value={told[field.name] ?? null}
              onChoose={(value) => setTold({ ...told, [field.name]: value })}
              choices={field.words.map((word) => ({ value: word, text: word }))}
            />
          </Box>
        ) : (
          <TextField
            key={field.name}
            label={field.name}
            value={told[field.name] ?? ""}
            onChange={(e) => setTold({ ...told, [field.name]: e.target.value.replace(",", ".") })}
            slotProps={{
              htmlInput: {
                inputMode: field.measure === "Text" ? "text" : "decimal",
                maxLength: 40,
                style: { fontSize: 22 },
              },
            }}
          />
        ),
      )}
      <Primary
        onClick={() => {
          const kept = Object.fromEntries(Object.entries(told).filter(([, value]) => value.trim() !== ""));
          running.move({ setUps: { ...place.setUps, [item.id]: kept } });
          onClose();
        }}
      >
        {say("save")}
      </Primary>
    </Sheet>
  );
}

function NotePage({ running, onClose }: { running: Running; onClose: () => void }) {
  const after = running.rest?.after;
  const [text, setText] = useState(after?.set?.note ?? "");
  return (
    <Sheet title={say("addNote")} onClose={onClose}>
      <TextField
        label={say("addNote")}
        helperText={say("noteHelp")}
        multiline
        minRows={3}
        value={text}
        onChange={(e) => setText(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 200, style: { fontSize: 20, lineHeight: "26px" } } }}
      />
      <Primary
        onClick={() => {
          if (after?.set) running.tell(after.set.id, after.item.id, { note: text.trim() || null });
          onClose();
        }}
      >
        {say("save")}
      </Primary>
    </Sheet>
  );
}

function SkipPage({ rest, onSkip, onClose }: { rest: boolean; onSkip: (reason: string) => void; onClose: () => void }) {
  const [own, setOwn] = useState("");
  const [asked, setAsked] = useState(false);
  return (
    <Sheet title={rest ? say("skipRest") : say("skip")} onClose={onClose}>
      <Typography sx={{ fontSize: 18, fontWeight: 600 }}>{say("whySkip")}</Typography>
      {[say("noTime"), say("noKit"), say("tooTired")].map((reason) => (
        <Large key={reason} onClick={() => onSkip(reason)}>
          {reason}
        </Large>
      ))}
      <TextField
        label={say("otherReason")}
        value={own}
        onChange={(e) => setOwn(e.target.value)}
        error={asked && own.trim() === ""}
        helperText={asked && own.trim() === "" ? say("writeReason") : undefined}
        slotProps={{ htmlInput: { maxLength: 200, style: { fontSize: 20 } } }}
      />
      <Primary
        onClick={() => {
          setAsked(true);
          if (own.trim() !== "") onSkip(own.trim());
        }}
      >
        {rest ? say("skipRest") : say("skip")}
      </Primary>
    </Sheet>
  );
}
