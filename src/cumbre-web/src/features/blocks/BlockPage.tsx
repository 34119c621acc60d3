import {
  closestCenter,
  DndContext,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type Active,
  type CollisionDetection,
  type Over,
} from "@dnd-kit/core";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState, type ComponentProps, type ComponentType } from "react";
import { useKey } from "../../shared/keys/useKey";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask, isNoAnswer } from "../../shared/api/client";
import type { BlockDto } from "../../shared/api/types";
import { dayWeek } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { useWhy } from "../../shared/why/WhyContext";
import { Clashes, Restored } from "../../shared/drafts/Saving";
import { StoryHere } from "./StoryHere";
import { BlockHead, type Asking } from "./BlockHead";
import { Anew } from "./BlockNotices";
import { PlannedOutside } from "./PlannedOutside";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { WhoseBlock } from "./AskWhy";
import { DayColumns } from "./DayColumns";
import { CopyWeekDialog, MissedWeeksDialog, NotationHelp, SaveTemplateDialog, SubstituteDialog } from "./dialogs";
import { letters } from "../../shared/sessions/letters";
import * as doc from "../../shared/blocks/doc";
import { DosePanel } from "./DosePanel";
import type { PublishProps } from "../../shared/blocks/publishing";
import { blockQuery, useForgetBlocks, useReading } from "../../shared/blocks/queries";
import { SessionEditor } from "./SessionEditor";
import { useBlockEditor, type BlockEditor } from "./useBlockEditor";
import { WeekStrip } from "../../shared/blocks/WeekStrip";
import { say } from "../../words/blocks";

/** A block on the workbench: weeks, days, the session with its lines, and what it costs. */
export default function BlockPage({ Publish }: { Publish: ComponentType<PublishProps> }) {
  const { athleteId = "", blockId = "" } = useParams();
  const stored = useQuery(blockQuery(athleteId, blockId));
  const [epoch, setEpoch] = useState(0);
  if (stored.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (stored.isError) return <FailedPage error={stored.error} retry={() => void stored.refetch()} />;
  // What was taken in from outside is a block that the editor begins anew with.
  return (
    <Editor key={`${blockId} ${epoch}`} stored={stored.data} Publish={Publish} onTaken={() => setEpoch((n) => n + 1)} />
  );
}

function Editor({
  stored,
  Publish,
  onTaken,
}: {
  stored: BlockDto;
  Publish: ComponentType<PublishProps>;
  onTaken: () => void;
}) {
  const { athleteId } = stored;
  const { today } = useSignedIn();
  const { opened } = useWhy();
  const roomy = useMediaQuery("(min-width:1480px)");
  const beside = useMediaQuery("(min-width:1180px)");
  const editor = useBlockEditor(athleteId, stored);
  const { block, edit } = editor;
  const [search, setSearch] = useSearchParams();
  const [asking, setAsking] = useState<Asking>(null);
  const [said, setSaid] = useState<string | null>(null);
  const wanted = search.get("session");
  const fromSearch = doc.weekOf(block, wanted);
  const weekParam = Number(search.get("week") ?? 0) - 1;
  const thisWeek = block.weeks.findIndex((_, i) => today < doc.addDays(block.start, 7 * (i + 1)));
  const week =
    fromSearch >= 0 ? fromSearch : weekParam >= 0 && weekParam < block.weeks.length ? weekParam : Math.max(0, thisWeek);
  const sessions = block.weeks[week]!.sessions;
  const session = sessions.find((s) => s.id === wanted) ?? sessions.find((s) => s.day >= today) ?? sessions[0];
  const reading = useReading(athleteId, session?.id ?? null, block, { id: stored.id, ...editor.stored });
  const { data, stale } = reading;

  const open = (id: string) => setSearch({ session: id }, { replace: true });
  const openWeek = (index: number) => {
    const first = block.weeks[index]!.sessions[0];
    setSearch(first ? { session: first.id } : { week: String(index + 1) }, { replace: true });
  };

  useKey("undo", editor.undo, { inFields: true });
  useKey("redo", editor.redo, { inFields: true });

  const letterOf = (item: string | null | undefined) => {
    const holder = item ? doc.holderOf(block, item) : undefined;
    if (!holder) return undefined;
    const letter = letters(holder.items)[holder.items.findIndex((i) => i.id === item)];
    return holder.id === session?.id ? letter : say("letterOfDay", { letter: letter ?? "", day: dayWeek(holder.day) });
  };
  const substituting =
    typeof asking === "object" && asking
      ? doc.holderOf(block, asking.substitute)?.items.find((i) => i.id === asking.substitute)
      : undefined;
  const whose = useMemo(
    () => ({ athleteId, athlete: stored.athleteName, block, generated: stored.generated ? stored.id : null }),
    [athleteId, stored.athleteName, stored.generated, stored.id, block],
  );
  const showsDose = !(opened && beside && !roomy);
  const dose = data && (
    <DosePanel
      reading={data}
      week={week}
      session={session?.id ?? null}
      have={stored.minutes}
      athlete={stored.athleteName}
      letterOf={letterOf}
      dayOf={(id) => doc.sessionOf(block, id)?.day}
      onRemedy={(remedy) => edit((b) => doc.applyRemedy(b, remedy))}
      onKeep={(key, reason) => edit((b) => doc.keep(b, key, reason))}
      onUnkeep={(key) => edit((b) => doc.unkeep(b, key))}
    />
  );

  return (
    <WhoseBlock value={whose}>
      <DragArea editor={editor} session={session?.id}>
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: beside && showsDose ? "minmax(0,1fr) 320px" : "minmax(0,1fr)",
            minHeight: "100%",
          }}
        >
          <Box sx={{ px: { xs: 3, sm: 6 }, py: 4, minWidth: 0 }}>
            <BlockHead
              stored={stored}
              editor={editor}
              week={week}
              onAsk={setAsking}
              onInsert={() => edit((b) => doc.insertWeek(b, week))}
              onRemoveWeek={() => {
                edit((b) => doc.removeWeek(b, week));
                openWeek(Math.max(0, week - 1));
              }}
            />
            {stored.generated && <StoryHere athleteId={athleteId} blockId={stored.id} />}
            <Restored at={editor.restored} undo={editor.canUndo ? editor.undo : undefined} seen={editor.seen} />
            <Clashes clashes={editor.clashes} who={null} decide={editor.decide} />
            <Anew stored={stored} />
            <PlannedOutside stored={stored} editor={editor} onTaken={onTaken} />
            {said && (
              <Alert severity="info" icon={false} onClose={() => setSaid(null)} sx={{ mt: 3 }}>
                {said}
              </Alert>
            )}
            {reading.error && !isNoAnswer(reading.error) && (
              <Alert severity="error" icon={false} sx={{ mt: 3 }}>
                {messageOf(reading.error)}
              </Alert>
            )}
            <Box sx={{ mt: 3 }}>
              <WeekStrip
                block={block}
                weeks={data?.weeks ?? []}
                cautions={data?.cautions ?? []}
                open={week}
                onOpen={openWeek}
                today={today}
              />
            </Box>
            <DayColumns
              week={block.weeks[week]!}
              reading={data?.weeks[week]}
              open={session?.id ?? null}
              minutes={stored.minutes}
              onOpen={open}
              onAdd={() => {
                const made = doc.addSession(block, week, doc.freeDay(block, week));
                edit(() => made.block);
                open(made.id);
              }}
            />
            {session ? (
              <SessionEditor
                key={session.id}
                athleteId={athleteId}
                athlete={stored.athleteName}
                minutes={stored.minutes}
                editor={editor}
                session={session}
                week={block.weeks[week]!}
                weekIndex={week}
                reading={data}
                stale={stale}
                onSubstitute={(item) => setAsking({ substitute: item })}
                onHelp={() => setAsking("help")}
                onSkip={() => edit((b) => doc.removeSession(b, session.id))}
                onRepeat={(item) => {
                  const [next, count] = doc.repeatItem(block, item);
                  edit(() => next);
                  setSaid(count > 0 ? say("writtenInLater", { count }) : say("noLaterLoadingWeekHasThatSession"));
                }}
              />
            ) : (
              <Box sx={(t) => ({ border: `1px solid ${t.vars.palette.line2}`, p: 4, color: "text.secondary" })}>
                {say("nothingIsPlannedInThisWeek")}
              </Box>
            )}
          </Box>
          {showsDose && (
            <Box
              component="aside"
              aria-label={say("doseAndCautions")}
              tabIndex={0}
              sx={(t) => ({
                position: beside ? "sticky" : "static",
                top: 0,
                maxHeight: beside ? "calc(100dvh - 48px)" : "none",
                overflowY: "auto",
                scrollbarWidth: "thin",
                alignSelf: "start",
                minHeight: beside ? "calc(100dvh - 48px)" : 0,
                bgcolor: "background.paper",
                borderLeft: beside ? `1px solid ${t.vars.palette.line2}` : 0,
                borderTop: beside ? 0 : `1px solid ${t.vars.palette.line2}`,
              })}
            >
              {dose ?? (
                <Box sx={{ p: 4 }}>
                  <Loading />
                </Box>
              )}
            </Box>
          )}
        </Box>
        {asking === "copy" && (
          <CopyWeekDialog
            block={block}
            from={week}
            onClose={() => setAsking(null)}
            onCopy={(targets) => {
              edit((b) => doc.copyWeek(b, week, targets));
              setAsking(null);
            }}
          />
        )}
        {asking === "missed" && (
          <MissedWeeksDialog
            athleteId={athleteId}
            block={block}
            week={week}
            onClose={() => setAsking(null)}
            onShift={(next, changes) => {
              edit(() => next);
              setSaid(say("shifted", { changes: changes.length }));
              setAsking(null);
            }}
          />
        )}
        {asking === "help" && <NotationHelp onClose={() => setAsking(null)} />}
        {asking === "template" && (
          <TemplateDialog
            stored={stored}
            editor={editor}
            week={week}
            onSaid={setSaid}
            onClose={() => setAsking(null)}
          />
        )}
        {asking === "publish" && (
          <Publish
            athleteId={athleteId}
            blockId={stored.id}
            version={editor.version}
            weeks={block.weeks.map((w) => w.kind)}
            saved={editor.state === "saved"}
            onClose={() => setAsking(null)}
          />
        )}
        {asking === "remove" && (
          <RemoveBlock stored={stored} version={editor.version} onClose={() => setAsking(null)} />
        )}
        {substituting && (
          <SubstituteDialog
            athleteId={athleteId}
            item={substituting}
            name={data?.items.find((i) => i.id === substituting.id)?.movement?.name ?? substituting.movement}
            onClose={() => setAsking(null)}
            onTake={(s) => {
              edit((b) => doc.changeItem(b, substituting.id, (i) => ({ ...i, movement: s.slug, line: s.line })));
              setAsking(null);
            }}
          />
        )}
      </DragArea>
    </WhoseBlock>
  );
}

/** A day takes what is dropped on it; else the nearest line. */
const collide: CollisionDetection = (args) => {
  const days = pointerWithin({
    ...args,
    droppableContainers: args.droppableContainers.filter((c) => String(c.id).startsWith("day:")),
  });
  return days.length > 0
    ? days
    : closestCenter({
        ...args,
        droppableContainers: args.droppableContainers.filter((c) => !String(c.id).startsWith("day:")),
      });
};

const named = (of: Active | Over) => String(of.data.current?.name ?? "");
const dragging: ComponentProps<typeof DndContext>["accessibility"] = {
  screenReaderInstructions: { draggable: say("altWithArrowUpOrDownMoves") },
  announcements: {
    onDragStart: ({ active }) => say("pickedUp", { active: named(active) }),
    onDragOver: ({ active, over }) =>
      over && over.id !== active.id
        ? say("isOver", { active: named(active), over: named(over) })
        : say("isWhereItWas", { active: named(active) }),
    onDragEnd: ({ active, over }) =>
      over && over.id !== active.id
        ? say("put", { active: named(active), over: named(over) })
        : say("putBack", { active: named(active) }),
    onDragCancel: ({ active }) => say("putBack", { active: named(active) }),
  },
};

function DragArea({
  editor,
  session,
  children,
}: {
  editor: BlockEditor;
  session: string | undefined;
  children: React.ReactNode;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  return (
    <DndContext
      sensors={sensors}
      accessibility={dragging}
      collisionDetection={collide}
      onDragEnd={({ active, over }) => {
        if (!over || over.id === active.id || !session) return;
        const item = String(active.id);
        const target = String(over.id);
        editor.edit((b) => {
          if (target.startsWith("day:")) return doc.moveItem(b, item, target.slice(4), null);
          const items = doc.sessionOf(b, session)?.items ?? [];
          const [from, to] = [items.findIndex((i) => i.id === item), items.findIndex((i) => i.id === target)];
          // Dropped on a later line it stands behind that one, on an earlier one before it.
          return doc.moveItem(b, item, session, (from < to ? items[to + 1]?.id : target) ?? null);
        });
      }}
    >
      {children}
    </DndContext>
  );
}

function TemplateDialog({
  stored,
  editor,
  week,
  onSaid,
  onClose,
}: {
  stored: BlockDto;
  editor: BlockEditor;
  week: number;
  onSaid: (text: string) => void;
  onClose: () => void;
}) {
  const [id] = useState(newId);
  const forget = useForgetBlocks();
  return (
    <SaveTemplateDialog
      athleteId={stored.athleteId}
      blockId={stored.id}
      block={editor.block}
      week={week}
      newId={id}
      onClose={onClose}
      onDone={() => {
        void forget();
        onSaid(say("keptApplyItFromProgrammes"));
        onClose();
      }}
    />
  );
}

function RemoveBlock({ stored, version, onClose }: { stored: BlockDto; version: number; onClose: () => void }) {
  const navigate = useNavigate();
  const forget = useForgetBlocks();
  const [error, setError] = useState<unknown>(null);
  return (
    <ConfirmDialog
      title={say("remove3", { name: stored.block.name })}
      verb={say("remove2")}
      busy={false}
      onClose={onClose}
      onConfirm={() => {
        ask(
          api.DELETE("/api/athletes/{athleteId}/blocks/{blockId}", {
            params: { path: { athleteId: stored.athleteId, blockId: stored.id }, query: { version } },
          }),
        )
          .then(async () => {
            await forget();
            void navigate("/programmes");
          })
          .catch(setError);
      }}
    >
      {say("allSessionsOfThatHaveNotBegun", { athleteName: stored.athleteName })}
      {error !== null && (
        <Typography color="error" role="alert" sx={{ mt: 2 }}>
          {messageOf(error)}
        </Typography>
      )}
    </ConfirmDialog>
  );
}
