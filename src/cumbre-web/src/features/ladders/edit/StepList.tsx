import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { LadderEntry, LadderProblem, Movement, School, StepEntry } from "../../../shared/api/types";
import { isKey } from "../../../shared/keys/keymap";
import { announce } from "../../../shared/ui/announce";
import { MoreMenu } from "../../../shared/ui/MoreMenu";
import { StatusShape } from "../../../shared/ui/StatusShape";
import { addStep, changeStep, moveStep, removeStep } from "./draft";
import { StepForm } from "./StepForm";
import { say } from "../../../words/ladders";
import { told } from "../../../words/server";

interface Props {
  draft: LadderEntry;
  problems: LadderProblem[];
  /** The step whose form is open. */
  open: string | null;
  setOpen: (slug: string | null) => void;
  /** `field` is typed into when it is given. */
  set: (to: LadderEntry, field?: string) => void;
  movements: Movement[];
  schools: School[];
}

const titleOf = (step: StepEntry, i: number) => step.name || say("step2", { i: i + 1 });

/** The steps of a ladder in their order: dragged, moved by keys or by the menu, each with its form. */
export function StepList({ draft, problems, open, setOpen, set, movements, schools }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const place = (slug: unknown) => draft.steps.findIndex((s) => s.slug === slug);
  const named = (slug: unknown) => titleOf(draft.steps[place(slug)]!, place(slug));
  const move = (from: number, to: number) => {
    const next = moveStep(draft, from, to);
    if (next === draft) return;
    set(next);
    announce(say("stepIsNow", { name: titleOf(draft.steps[from]!, from), place: to + 1 }));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        screenReaderInstructions: { draggable: say("altWithArrowsMovesAStep") },
        announcements: {
          onDragStart: ({ active }) => say("stepPickedUp", { name: named(active.id) }),
          onDragOver: ({ over }) => (over ? say("stepIsOver", { name: named(over.id) }) : undefined),
          onDragEnd: () => undefined,
          onDragCancel: () => undefined,
        },
      }}
      onDragEnd={({ active, over }) => over && move(place(active.id), place(over.id))}
    >
      <SortableContext items={draft.steps.map((s) => s.slug)} strategy={verticalListSortingStrategy}>
        <Box component="ol" aria-label={say("steps")} sx={{ listStyle: "none", m: 0, p: 0, mt: 4 }}>
          {draft.steps.map((step, i) => (
            <StepRow
              key={step.slug}
              step={step}
              index={i}
              last={draft.steps.length - 1}
              problems={problems.filter((p) => p.path.startsWith(`steps[${i}]`))}
              open={open === step.slug}
              onOpen={() => setOpen(open === step.slug ? null : step.slug)}
              onMove={(to) => move(i, to)}
              onRemove={() => {
                set(removeStep(draft, i));
                announce(say("stepDeleted", { name: titleOf(step, i) }));
              }}
              onAdd={() => {
                const next = addStep(draft, i);
                set(next);
                setOpen(next.steps[i + 1]!.slug);
              }}
            >
              <StepForm
                index={i}
                step={step}
                steps={draft.steps}
                movements={movements}
                schools={schools}
                problems={problems}
                onChange={(change, field) => set(changeStep(draft, i, change), field)}
              />
            </StepRow>
          ))}
        </Box>
      </SortableContext>
    </DndContext>
  );
}

function StepRow({
  step,
  index,
  last,
  problems,
  open,
  onOpen,
  onMove,
  onRemove,
  onAdd,
  children,
}: {
  step: StepEntry;
  index: number;
  last: number;
  problems: LadderProblem[];
  open: boolean;
  onOpen: () => void;
  onMove: (to: number) => void;
  onRemove: () => void;
  onAdd: () => void;
  children: React.ReactNode;
}) {
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({ id: step.slug });
  const name = titleOf(step, index);
  const whole = problems.find((p) => p.path === `steps[${index}]`);
  const keys = (e: React.KeyboardEvent) => {
    const run = (verb: () => void) => {
      e.preventDefault();
      verb();
    };
    if (isKey(e, "moveUp")) run(() => onMove(index - 1));
    else if (isKey(e, "moveDown")) run(() => onMove(index + 1));
    else if (isKey(e, "deleteLine") && last > 0) run(onRemove);
  };
  return (
    <Box
      component="li"
      ref={setNodeRef}
      onKeyDown={keys}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      sx={(t) => ({
        borderTop: `1px solid ${t.vars.palette.divider}`,
        py: 1,
        position: "relative",
        zIndex: isDragging ? 3 : 0,
        bgcolor: isDragging ? "background.paper" : "transparent",
      })}
    >
      <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
        <Box
          component="button"
          type="button"
          {...attributes}
          {...listeners}
          aria-label={say("dragStep", { place: index + 1, name })}
          sx={{
            all: "unset",
            cursor: "grab",
            touchAction: "none",
            flex: "0 0 28px",
            lineHeight: "24px",
            fontWeight: 650,
            fontSize: 15,
            fontStretch: "110%",
            "&:focus-visible": { outline: "2px solid", outlineColor: "primary.main" },
          }}
        >
          {index + 1}
        </Box>
        <Box
          sx={{
            mr: "auto",
            minWidth: 0,
            display: "flex",
            flexDirection: { xs: "column", sm: "row" },
            alignItems: { xs: "flex-start", sm: "center" },
            columnGap: 2,
          }}
        >
          <Button
            variant="text"
            onClick={onOpen}
            aria-expanded={open}
            sx={{ fontWeight: 650, px: 0, minWidth: 0, minHeight: 28, textAlign: "left", flex: "none" }}
          >
            {step.name || say("unnamedStep")}
          </Button>
          <Typography variant="body2" color="textSecondary" noWrap sx={{ minWidth: 0, maxWidth: "100%" }}>
            {step.won ?? step.opens}
          </Typography>
        </Box>
        {problems.length > 0 && <StatusShape status="caution" title={say("toMend", { wrong: problems.length })} />}
        <MoreMenu
          label={say("moreForStep", { name })}
          verbs={[
            { label: say("addBelow2"), onChoose: onAdd },
            { label: say("up"), onChoose: () => onMove(index - 1), keyId: "moveUp", disabled: index === 0 },
            { label: say("down"), onChoose: () => onMove(index + 1), keyId: "moveDown", disabled: index === last },
            { label: say("takeOut2"), onChoose: onRemove, keyId: "deleteLine", disabled: last === 0 },
          ]}
        />
      </Box>
      {whole && (
        <Typography variant="body2" color="error" role="alert">
          {told(whole.message)}
        </Typography>
      )}
      {open && children}
    </Box>
  );
}
