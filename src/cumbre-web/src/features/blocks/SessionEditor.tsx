import { letters } from "../../shared/sessions/letters";
import { Listed } from "../../shared/ui/Listed";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import InputBase from "@mui/material/InputBase";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import type { Block, BlockReading, BlockSession, BlockWeek } from "../../shared/api/types";
import { clock, dayWeek, plural } from "../../shared/ui/format";
import { KeyCap } from "../../shared/ui/KeyCap";
import {
  addDays,
  addItem,
  changeItem,
  changeSession,
  moveItem,
  newItem,
  nudgeItem,
  pairItem,
  removeItem,
  settleLine,
} from "../../shared/blocks/doc";
import { AskWhy } from "./AskWhy";
import { ItemRow } from "./ItemRow";
import { MovementPicker } from "../../shared/blocks/MovementPicker";
import { SeveralDialog } from "./SeveralDialog";
import type { BlockEditor } from "./useBlockEditor";
import { announce } from "../../shared/ui/announce";
import { say } from "../../words/blocks";

interface Props {
  athleteId: string;
  athlete: string;
  minutes: number | null;
  editor: BlockEditor;
  session: BlockSession;
  week: BlockWeek;
  weekIndex: number;
  reading: BlockReading | undefined;
  stale: boolean;
  onSubstitute: (item: string) => void;
  onHelp: () => void;
  onSkip: () => void;
  onRepeat: (item: string) => void;
}

/** The open session: its lines, and a place to add one. */
export function SessionEditor(props: Props) {
  const {
    athleteId,
    athlete,
    minutes,
    editor,
    session,
    week,
    weekIndex,
    reading,
    stale,
    onSubstitute,
    onHelp,
    onSkip,
    onRepeat,
  } = props;
  const [focused, setFocused] = useState<string | null>(null);
  const [several, setSeveral] = useState<string | null>(null);
  const list = useRef<HTMLOListElement>(null);
  const adding = useRef<HTMLInputElement>(null);
  const marks = letters(session.items);
  const costs = reading?.weeks[weekIndex]?.sessions.find((s) => s.id === session.id);
  const change = (next: (b: Block) => Block, mark: string | null = null) => editor.edit(next, mark);

  const focusLine = (item: string) =>
    requestAnimationFrame(() => {
      const field = list.current?.querySelector<HTMLInputElement>(`[data-item="${item}"] input`);
      field?.focus();
      field?.select();
    });
  const next = (index: number) => {
    const following = session.items[index + 1];
    if (following) focusLine(following.id);
    else adding.current?.focus();
  };
  const takes = costs?.seconds ?? 0;
  const over = minutes !== null && takes > minutes * 60;
  const { today } = useSignedIn();
  const log = session.items.length > 0 && (
    <Button size="small" component={Link} to={`/athletes/${athleteId}/sessions/${session.id}`} sx={{ ml: "auto" }}>
      {session.fixed || session.day > today ? say("openSession") : say("logSession")}
    </Button>
  );
  return (
    <Box sx={(t) => ({ border: `1px solid ${t.vars.palette.text.primary}`, bgcolor: "background.paper" })}>
      <Box sx={{ display: "flex", gap: 3, px: 4, py: 2, alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="h2" component="h2">
          {dayWeek(session.day)}
        </Typography>
        {session.fixed ? (
          <>
            <Typography color="textSecondary">{say("hasBegunItStaysAsItIs", { title: session.title })}</Typography>
            {log}
          </>
        ) : (
          <>
            <TextField
              label={say("title")}
              value={session.title}
              onChange={(e) =>
                change(
                  (b) => changeSession(b, session.id, (s) => ({ ...s, title: e.target.value })),
                  `title:${session.id}`,
                )
              }
              sx={{ width: 130 }}
              slotProps={{ htmlInput: { maxLength: 40 } }}
            />
            <TextField
              select
              label={say("day")}
              value={session.day}
              onChange={(e) => change((b) => changeSession(b, session.id, (s) => ({ ...s, day: e.target.value })))}
              sx={{ width: 140 }}
            >
              {[0, 1, 2, 3, 4, 5, 6].map((d) => {
                const day = addDays(addDays(editor.block.start, 7 * weekIndex), d);
                return (
                  <MenuItem key={day} value={day}>
                    <Listed>
                      {dayWeek(day)}
                      {week.sessions.some((s) => s.day === day && s.id !== session.id) && say("taken")}
                    </Listed>
                  </MenuItem>
                );
              })}
            </TextField>
            {log}
            <Button size="small" onClick={onSkip}>
              {say("skipThisSession")}
            </Button>
          </>
        )}
      </Box>
      <FrameRow
        label={say("warmUp")}
        hint={say("wristsShouldersBladesEasierSteps")}
        frame={session.warmUp}
        readOnly={session.fixed}
        onChange={(warmUp, mark) => change((b) => changeSession(b, session.id, (s) => ({ ...s, warmUp })), mark)}
      />
      <SortableContext items={session.items.map((i) => i.id)} strategy={verticalListSortingStrategy}>
        <Box component="ol" ref={list} aria-label={say("items")} sx={{ listStyle: "none", m: 0, p: 0 }}>
          {session.items.map((item, i) => {
            const joinsNext = session.items[i + 1]?.joined === true;
            const joined = i > 0 && item.joined;
            return (
              <ItemRow
                key={item.id}
                item={item}
                letter={marks[i]!}
                meaning={reading?.items.find((m) => m.id === item.id)}
                stale={stale}
                cautions={reading?.cautions.filter((c) => c.item === item.id) ?? []}
                seconds={costs?.items.find((x) => x.id === item.id)?.seconds ?? null}
                bracket={joined ? (joinsNext ? "middle" : "foot") : joinsNext ? "head" : null}
                circuit={marks.filter((m) => /\d/.test(m) && m[0] === marks[i]![0]).length > 2}
                athlete={athlete}
                week={weekIndex + 1}
                session={session.id}
                readOnly={session.fixed}
                focused={focused === item.id}
                elsewhere={week.sessions.filter((s) => s.id !== session.id && !s.fixed)}
                verbs={{
                  line: (line) => change((b) => changeItem(b, item.id, (x) => ({ ...x, line })), `line:${item.id}`),
                  settle: (line) => editor.quietly((b) => settleLine(b, item.id, item.line, line)),
                  next: () => next(i),
                  focus: () => setFocused(item.id),
                  blur: () => {
                    setFocused((f) => (f === item.id ? null : f));
                    // Written again later, it is another step of undo.
                    editor.pause();
                  },
                  move: (by) => {
                    change((b) => nudgeItem(b, item.id, by));
                    announce(say(by < 0 ? "announceMovedUp" : "announceMovedDown"));
                    focusLine(item.id);
                  },
                  pair: () => {
                    change((b) => pairItem(b, item.id));
                    announce(say(joined ? "announceUnpaired" : "announcePaired"));
                  },
                  remove: () => {
                    change((b) => removeItem(b, item.id));
                    announce(say("announceDeleted"));
                    next(i);
                  },
                  substitute: () => onSubstitute(item.id),
                  moveTo: (to) => change((b) => moveItem(b, item.id, to, null)),
                  repeat: () => onRepeat(item.id),
                  several: setSeveral,
                }}
              />
            );
          })}
        </Box>
      </SortableContext>
      {session.items.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ px: 4, py: 2, borderTop: 1, borderColor: "divider" }}>
          {say("chooseAMovementThenWriteItsLine")} <KeyCap>{say("enter")}</KeyCap> {say("goesOnToTheNext")}
        </Typography>
      )}
      {!session.fixed && (
        <Box
          sx={(t) => ({
            display: "flex",
            gap: 3,
            px: 4,
            py: 2.5,
            bgcolor: t.vars.palette.wash,
            borderTop: `1px solid ${t.vars.palette.divider}`,
            alignItems: "center",
            flexWrap: "wrap",
          })}
        >
          <Box sx={{ width: { xs: "100%", sm: 340 } }}>
            <MovementPicker
              athleteId={athleteId}
              label={say("addAMovement")}
              inputRef={adding}
              onSeveral={setSeveral}
              onPick={(m) => {
                const item = newItem(m.slug, m.line);
                change((b) => addItem(b, session.id, item));
                setFocused(item.id);
                focusLine(item.id);
              }}
            />
          </Box>
          <Typography variant="caption" color="textSecondary" sx={{ display: { xs: "none", md: "block" } }}>
            <KeyCap>{say("tab")}</KeyCap> {say("nextValue")} <KeyCap>{say("ctrlG")}</KeyCap> {say("pair")}{" "}
            <KeyCap>{say("alt3")}</KeyCap> {say("move")} <KeyCap>F2</KeyCap> {say("form")}{" "}
            <KeyCap>{say("ctrlZ")}</KeyCap> {say("undo2")}
          </Typography>
          <Button size="small" variant="text" onClick={() => setSeveral("")}>
            {say("pasteSeveralLines")}
          </Button>
          <Button size="small" variant="text" onClick={onHelp}>
            {say("howLinesAreWritten")}
          </Button>
        </Box>
      )}
      {several !== null && (
        <SeveralDialog
          athleteId={athleteId}
          pasted={several}
          onClose={() => setSeveral(null)}
          onTake={(items) => {
            change((b) => items.reduce((block, item) => addItem(block, session.id, item), b));
            setSeveral(null);
          }}
        />
      )}
      <FrameRow
        label={say("coolDown")}
        hint={say("easyStretchesBreathing")}
        frame={session.coolDown}
        readOnly={session.fixed}
        onChange={(coolDown, mark) => change((b) => changeSession(b, session.id, (s) => ({ ...s, coolDown })), mark)}
      />
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          px: 4,
          py: 2,
          borderTop: 1,
          borderColor: "divider",
          fontSize: 14,
        }}
      >
        <span>
          <Listed>
            {plural(session.items.length, "item")}
            {costs && costs.unread > 0 && say("toMendNotInTheSumsYet", { unread: costs.unread })}
          </Listed>
        </span>
        <Box component="b" sx={{ color: over ? "warning.main" : "inherit" }}>
          <AskWhy
            figure="SessionTime"
            week={weekIndex + 1}
            session={session.id}
            subject={say("timeOfTheSession")}
            shown={say("minutesAlone", { minutes: Math.ceil(takes / 60) })}
          >
            {minutes === null
              ? say("minutesAlone", { minutes: Math.ceil(takes / 60) })
              : say("minutesOfHave", { minutes: Math.ceil(takes / 60), have: minutes })}
          </AskWhy>
        </Box>
      </Box>
    </Box>
  );
}

/** Warm-up or cool-down: minutes and words. */
function FrameRow({
  label,
  hint,
  frame,
  readOnly,
  onChange,
}: {
  label: string;
  hint: string;
  frame: BlockSession["warmUp"];
  readOnly: boolean;
  onChange: (frame: BlockSession["warmUp"], mark: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  if (readOnly)
    return frame.seconds > 0 || frame.text ? (
      <Typography variant="body2" color="textSecondary" sx={{ px: 4, py: 1.5, borderTop: 1, borderColor: "divider" }}>
        {label} {clock(frame.seconds)} {frame.text}
      </Typography>
    ) : null;
  return (
    <Box
      sx={{
        display: "flex",
        gap: 1.5,
        px: 4,
        py: 1,
        borderTop: 1,
        borderColor: "divider",
        alignItems: "center",
        fontSize: 13,
        color: "text.secondary",
        whiteSpace: "nowrap",
      }}
    >
      <span>{label}</span>
      <InputBase
        value={typed ?? (frame.seconds === 0 ? "" : String(Math.round((frame.seconds / 60) * 10) / 10))}
        placeholder="0"
        onChange={(e) => {
          setTyped(e.target.value);
          const minutes = Number(e.target.value.replace(",", "."));
          if (minutes >= 0 && minutes <= 60) onChange({ ...frame, seconds: Math.round(minutes * 60) }, `${label}:min`);
        }}
        onBlur={() => setTyped(null)}
        sx={{ ...inline, width: 44, flex: "none", "& input": { ...inline["& input"], textAlign: "right" } }}
        slotProps={{ input: { inputMode: "decimal", "aria-label": say("minutes2", { label }) } }}
      />
      {say("minutesUnit")}
      <InputBase
        value={frame.text ?? ""}
        placeholder={hint}
        onChange={(e) => onChange({ ...frame, text: e.target.value || null }, `${label}:text`)}
        fullWidth
        sx={inline}
        slotProps={{ input: { maxLength: 200, "aria-label": say("whatTheIs", { label: label.toLowerCase() }) } }}
      />
    </Box>
  );
}

const inline = {
  fontSize: 13,
  "& input": { p: "3px 6px", borderBottom: "1px solid", borderColor: "divider", color: "text.primary" },
  "& input:focus": { outline: "2px solid", outlineColor: "primary.main" },
};
