import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import Box from "@mui/material/Box";
import { useEffect, useEffectEvent, useId, useState } from "react";
import { useUnit } from "../../shared/account/useMe";
import type { BlockItem, ItemMeaning, ProgrammeCaution } from "../../shared/api/types";
import { problemMessage } from "../../shared/notation/wording";
import { clock, dayWeek, mass } from "../../shared/ui/format";
import { MoreMenu } from "../../shared/ui/MoreMenu";
import { LineField } from "../../shared/notation/LineField";
import { Misfits } from "../../shared/notation/Misfits";
import { LineError } from "../../shared/notation/LineError";
import { StatusShape } from "../../shared/ui/StatusShape";
import { AskWhy } from "./AskWhy";
import { ItemForm } from "./ItemForm";
import { ItemPlates, MeaningLine } from "./MeaningLine";
import type { Plan } from "./planFields";
import { WhyHere } from "./WhyHere";
import { isKey } from "../../shared/keys/keymap";
import { say } from "../../words/blocks";
import { inSentence } from "../../shared/ui/nameWords";

export interface RowVerbs {
  line: (line: string) => void;
  settle: (line: string) => void;
  next: () => void;
  focus: () => void;
  blur: () => void;
  move: (by: -1 | 1) => void;
  pair: () => void;
  remove: () => void;
  substitute: () => void;
  moveTo: (session: string) => void;
  repeat: () => void;
  several: (text: string) => void;
}

interface Props {
  item: BlockItem;
  letter: string;
  meaning: ItemMeaning | undefined;
  /** The meaning is of an older state while the next is on its way. */
  stale: boolean;
  cautions: ProgrammeCaution[];
  seconds: number | null;
  /** A bracket: head, middle or foot of a group. */
  bracket: "head" | "middle" | "foot" | null;
  /** Three or more in turn: each has its easier alternate. */
  circuit: boolean;
  athlete: string;
  week: number;
  session: string;
  readOnly: boolean;
  focused: boolean;
  elsewhere: { id: string; day: string; title: string }[];
  verbs: RowVerbs;
}

/** One exercise on the board: its line, what it means, costs and risks. */
export function ItemRow(props: Props) {
  const {
    item,
    letter,
    meaning,
    stale,
    cautions,
    seconds,
    bracket,
    circuit,
    athlete,
    week,
    session,
    readOnly,
    focused,
    elsewhere,
    verbs,
  } = props;
  const unit = useUnit();
  const says = useId();
  const [form, setForm] = useState(false);
  const name = meaning?.movement?.name ?? item.movement;
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: item.id,
    data: { name },
    disabled: readOnly,
  });
  const error = meaning?.error && !stale ? meaning.error : null;
  const problem = meaning?.problem ?? null;
  const message = problem && !stale ? problemMessage(problem) : null;
  // Once the line is left it is written as Cumbre writes it.
  const canonical = stale || focused || readOnly ? null : (meaning?.canonical ?? null);
  const settle = useEffectEvent((line: string) => verbs.settle(line));
  useEffect(() => {
    if (canonical !== null && canonical !== item.line) settle(canonical);
  }, [canonical, item.line]);
  const open = cautions.filter((c) => !c.keptBecause);
  const keys = (e: React.KeyboardEvent) => {
    if (readOnly) return;
    const run = (verb: () => void) => {
      e.preventDefault();
      e.stopPropagation();
      verb();
    };
    if (isKey(e, "moveUp")) run(() => verbs.move(-1));
    else if (isKey(e, "moveDown")) run(() => verbs.move(1));
    else if (isKey(e, "deleteLine")) run(verbs.remove);
    else if (isKey(e, "substitute")) run(verbs.substitute);
    else if (isKey(e, "pair")) run(verbs.pair);
    else if (isKey(e, "form")) run(() => setForm((f) => !f));
  };
  return (
    <Box
      ref={setNodeRef}
      component="li"
      data-testid="item"
      data-item={item.id}
      aria-label={`${letter} ${name}`}
      onKeyDown={keys}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      sx={(t) => ({
        display: "grid",
        gridTemplateColumns: { xs: "34px 1fr 60px", sm: "40px 128px minmax(0,1fr) auto 92px" },
        columnGap: 2,
        px: { xs: 2, sm: 4 },
        py: 2,
        position: "relative",
        bgcolor: focused ? t.vars.palette.primary.light : "background.paper",
        outline: focused ? `2px solid ${t.vars.palette.primary.main}` : 0,
        outlineOffset: -2,
        borderTop: bracket === "middle" || bracket === "foot" ? 0 : `1px solid ${t.vars.palette.divider}`,
        zIndex: isDragging ? 3 : focused ? 1 : 0,
        opacity: isDragging ? 0.85 : 1,
      })}
    >
      {bracket && (
        <Box
          aria-hidden
          sx={(t) => ({
            position: "absolute",
            left: { xs: 2, sm: 8 },
            width: 7,
            top: bracket === "head" ? 8 : 0,
            bottom: bracket === "foot" ? 8 : 0,
            borderLeft: `2px solid ${t.vars.palette.text.primary}`,
            borderTop: bracket === "head" ? `2px solid ${t.vars.palette.text.primary}` : 0,
            borderBottom: bracket === "foot" ? `2px solid ${t.vars.palette.text.primary}` : 0,
          })}
        />
      )}
      <Box
        component="button"
        type="button"
        {...attributes}
        {...listeners}
        aria-label={say("drag", { letter, name })}
        disabled={readOnly}
        sx={{
          all: "unset",
          cursor: readOnly ? "default" : "grab",
          touchAction: "none",
          fontWeight: 650,
          fontSize: 15,
          fontStretch: "110%",
          pl: 1,
          height: 24,
          gridRow: 1,
          gridColumn: 1,
          "&:focus-visible": { outline: "2px solid", outlineColor: "primary.main" },
        }}
      >
        {letter}
      </Box>
      <Box
        sx={{
          fontSize: 13,
          lineHeight: "17px",
          fontWeight: 600,
          fontStretch: "90%",
          pt: "3px",
          minWidth: 0,
          gridRow: { xs: 1, sm: "1 / 3" },
          gridColumn: 2,
        }}
      >
        <WhyHere item={item.id} name={name} line={item.line} />
      </Box>
      <Box sx={{ minWidth: 0, gridColumn: { xs: "1 / -1", sm: "3 / 5" }, gridRow: { sm: 1 } }}>
        <LineField
          value={item.line}
          label={say("lineOf", { letter, name })}
          invalid={Boolean(error || message)}
          describedBy={says}
          readOnly={readOnly}
          onChange={verbs.line}
          onEnter={verbs.next}
          onFocus={verbs.focus}
          onBlur={verbs.blur}
          onSeveral={verbs.several}
        />
      </Box>
      <Box sx={{ minWidth: 0, gridColumn: { xs: "1 / -1", sm: 3 }, gridRow: { sm: 2 } }}>
        <Box
          id={says}
          sx={{
            fontSize: 13,
            lineHeight: "17px",
            fontStretch: "92%",
            color: "text.secondary",
            mt: "2px",
            opacity: stale ? 0.6 : 1,
          }}
        >
          {error || message ? (
            <Box component="span" sx={{ color: "error.main" }} role={focused ? undefined : "alert"}>
              {error ? (
                <LineError line={item.line} error={error} onTake={readOnly ? undefined : verbs.line} />
              ) : (
                message
              )}
              {problem === "NoSuchBand" && meaning!.bands.length > 0 && (
                <> {say("measuredHere", { bands: meaning!.bands.map((b) => mass(b, unit, 1)).join(", ") })}</>
              )}
            </Box>
          ) : meaning ? (
            <>
              <MeaningLine
                meaning={meaning}
                subject={`${athlete}, ${inSentence(name)}`}
                week={week}
                session={session}
              />
              {!readOnly && <Misfits misfits={meaning.misfits ?? []} onTake={verbs.line} />}
              {circuit && meaning.easier && <> {say("easier", { easier: meaning.easier })}</>}
            </>
          ) : (
            "\u00a0"
          )}
        </Box>
      </Box>
      <Box sx={{ display: { xs: "none", sm: "block" }, gridColumn: 4, gridRow: 2 }}>
        {meaning?.plan && <ItemPlates plan={meaning.plan} />}
      </Box>
      <Box
        sx={{
          display: "flex",
          alignItems: "flex-start",
          justifyContent: "flex-end",
          gap: 1,
          gridRow: 1,
          gridColumn: { xs: 3, sm: 5 },
        }}
      >
        {open.length > 0 && <StatusShape status="caution" title={say("toLookAt", { open: open.length })} />}
        <Box sx={{ fontWeight: 600, fontSize: 14, pt: "2px" }}>
          {seconds !== null && meaning?.plan ? (
            <AskWhy
              figure="ItemTime"
              week={week}
              session={session}
              item={item.id}
              subject={say("time", { name: inSentence(name) })}
              shown={clock(seconds)}
            >
              {clock(seconds)}
            </AskWhy>
          ) : (
            seconds !== null && clock(seconds)
          )}
        </Box>
        {!readOnly && (
          <MoreMenu
            label={say("moreFor", { letter, name })}
            verbs={[
              {
                label: form ? say("closeTheForm") : say("formBesideTheLine"),
                onChoose: () => setForm(!form),
                keyId: "form",
              },
              { label: say("anotherMovement"), onChoose: verbs.substitute, keyId: "substitute" },
              {
                label: item.joined ? say("letGoOfTheOneBefore") : say("pairWithTheOneBefore2"),
                onChoose: verbs.pair,
                keyId: "pair",
              },
              { label: say("up"), onChoose: () => verbs.move(-1), keyId: "moveUp" },
              { label: say("down"), onChoose: () => verbs.move(1), keyId: "moveDown" },
              { label: say("writeItSoInTheWeeksAfter"), onChoose: verbs.repeat },
              ...elsewhere.map((s) => ({
                label: say("moveTo2", { day: dayWeek(s.day), title: s.title && `, ${s.title}` }),
                onChoose: () => verbs.moveTo(s.id),
              })),
              { label: say("takeItOut"), onChoose: verbs.remove, keyId: "deleteLine" },
            ]}
          />
        )}
      </Box>
      {form && !readOnly && (
        <Box sx={{ gridColumn: { xs: "1 / -1", sm: "3 / -1" }, gridRow: { sm: 3 } }}>
          <ItemForm
            plan={(meaning?.structure as Plan | null) ?? null}
            label={say("fieldsOf", { letter, name })}
            onLine={verbs.line}
          />
        </Box>
      )}
    </Box>
  );
}
