import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask, Problem } from "../../shared/api/client";
import type { BlockDto, DayOfWeek, SchoolChoice } from "../../shared/api/types";
import { addDays, nextMonday } from "../../shared/blocks/doc";
import { blockQuery, blocksQuery, programmesQuery } from "../../shared/blocks/queries";
import { WeekStrip } from "../../shared/blocks/WeekStrip";
import { newId } from "../../shared/ui/newId";
import { Empty, Failed, FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { Changes, LeftOutList, Notices } from "./Findings";
import { OtherSchool } from "./OtherSchool";
import { generationQuery, useGenerated, useTake } from "../../shared/generation/queries";
import { Story } from "../../shared/generation/Story";
import { WeekPreview } from "./WeekPreview";
import { WishForm } from "./WishForm";
import { readWish, wishOf, type WishFields } from "./wish";
import { say } from "../../words/generate";

/** A block put together for an athlete: what is asked for on the left, what would come of it on the right. */
export default function GeneratePage() {
  const { athleteId = "", blockId } = useParams();
  const athlete = useQuery({
    queryKey: ["intake", athleteId],
    queryFn: ({ signal }) => ask(api.GET("/api/athletes/{athleteId}", { params: { path: { athleteId } }, signal })),
  });
  const blocks = useQuery(blocksQuery(athleteId));
  const rows = useQuery(programmesQuery);
  const stored = useQuery({ ...blockQuery(athleteId, blockId ?? ""), enabled: Boolean(blockId) });
  const generated = stored.data?.generated;
  const before = useQuery({ ...generationQuery(athleteId, blockId ?? ""), enabled: Boolean(generated) });
  const failed = [athlete, blocks, rows, stored, before].find((q) => q.isError);
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  if (!athlete.data || !blocks.data || !rows.data || (blockId && !stored.data) || (generated && !before.data))
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  const [last] = blocks.data;
  const wish = before.data?.wish;
  return (
    <Generator
      athleteId={athleteId}
      athlete={athlete.data.name}
      schools={athlete.data.schools}
      atHome={athlete.data.intake.place === "Home"}
      stored={stored.data ?? null}
      name={
        rows.data
          .find((r) => r.athleteId === athleteId)
          ?.goals.join(", ")
          .slice(0, 80) || say("block")
      }
      days={wish?.days ?? daysOf(athlete.data.intake.days)}
      minutes={wish?.minutes ?? athlete.data.intake.minutes}
      loadingWeeks={wish?.loadingWeeks ?? null}
      after={last ? addDays(last.start, 7 * last.weeks) : null}
    />
  );
}

const names: DayOfWeek[] = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const daysOf = (iso: number[]) => iso.map((d) => names[d - 1]!);

function Generator(props: {
  athleteId: string;
  athlete: string;
  /** Choices of the athlete's own. */
  schools: SchoolChoice[];
  /** Trains with a kit of their own. */
  atHome: boolean;
  stored: BlockDto | null;
  /** Of a new block: its goals. */
  name: string;
  days: DayOfWeek[];
  minutes: number | null;
  loadingWeeks: number | null;
  /** The Monday after the newest block. */
  after: string | null;
}) {
  const { athleteId, athlete, stored } = props;
  const { today } = useSignedIn();
  const navigate = useNavigate();
  const [blockId] = useState(() => stored?.id ?? newId());
  const [search] = useSearchParams();
  const [fields, setFields] = useState<WishFields>(() => {
    const next = nextMonday(today);
    const asked = wishOf(search);
    return {
      name: stored?.block.name ?? props.name,
      start: asked.start ?? stored?.block.start ?? (props.after && props.after > next ? props.after : next),
      days: asked.days ?? props.days,
      minutes: asked.minutes ?? String(props.minutes ?? ""),
      loadingWeeks: asked.loadingWeeks ?? String(props.loadingWeeks ?? ""),
    };
  });
  const [week, setWeek] = useState(0);
  const { wish, faults } = useMemo(() => readWish(fields), [fields]);
  const made = useGenerated(athleteId, blockId, stored?.version ?? 0, wish);
  const take = useTake(athleteId, blockId);
  const answer = made.data;
  const why = useMemo(() => new Map(answer?.why.map((w) => [w.item, w])), [answer]);
  const problem = wish && made.error instanceof Problem ? made.error : null;
  const open = Math.min(week, (answer?.block.weeks.length ?? 1) - 1);
  const sessions = answer?.block.weeks.reduce((n, w) => n + w.sessions.length, 0) ?? 0;
  const nothingNew = answer?.changes != null && answer.changes.every((c) => c.kind === "KeptByHand");
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "300px minmax(0,1fr)" }, minHeight: "100%" }}>
      <Box
        component="aside"
        aria-label={say("whatIsAskedFor")}
        sx={(t) => ({
          px: { xs: 4, sm: 5 },
          py: 4,
          borderRight: { md: `1px solid ${t.vars.palette.line2}` },
          bgcolor: "background.paper",
          display: "grid",
          gap: 5,
          alignContent: "start",
        })}
      >
        <Box>
          <Typography variant="h1">{stored ? say("generateAgain") : say("generateABlock")}</Typography>
          <Typography variant="body2" color="textSecondary">
            <Link to={`/athletes/${athleteId}/programme`}>{athlete}</Link>
            {stored && `, ${stored.block.name}`}
          </Typography>
        </Box>
        <WishForm
          value={fields}
          onChange={setFields}
          again={stored !== null}
          fault={(f) => faults?.[f] ?? problem?.fieldMessage(f)}
        />
        {answer && <Notices notices={answer.notices} athleteId={athleteId} atHome={props.atHome} />}
        {answer && <LeftOutList items={answer.leftOut} />}
      </Box>
      <Box sx={{ px: { xs: 3, sm: 5 }, py: 4, minWidth: 0 }}>
        <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap", mb: 3 }}>
          <Box sx={{ mr: "auto" }}>
            <Typography variant="h2" component="p">
              {answer ? say("weeksAndSessions", { weeks: answer.block.weeks.length, sessions }) : "\u00a0"}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {stored ? say("whatYouWroteMovedAddedOrTook") : say("nothingIsStoredBeforeYouTakeIt")}
            </Typography>
          </Box>
          <Button
            component={Link}
            to={stored ? `/athletes/${athleteId}/blocks/${blockId}` : `/athletes/${athleteId}/programme`}
          >
            {say("back")}
          </Button>
          <Button
            variant="contained"
            color="secondary"
            disabled={
              !wish ||
              !answer ||
              made.isPlaceholderData ||
              made.isError ||
              sessions === 0 ||
              nothingNew ||
              take.isPending
            }
            onClick={() =>
              take.mutate(
                { wish: wish!, version: answer!.version },
                { onSuccess: () => void navigate(`/athletes/${athleteId}/blocks/${blockId}`) },
              )
            }
          >
            {stored ? say("takeTheChanges") : say("takeThisBlock")}
          </Button>
        </Box>
        {(made.isFetching || take.isPending) && (
          <LinearProgress aria-label={say("generating")} sx={{ mb: 2, height: 2 }} />
        )}
        {take.isError && (
          <Alert severity="error" icon={false} sx={{ mb: 3 }}>
            {take.error instanceof Problem && take.error.fields[0]
              ? take.error.fields[0].message
              : messageOf(take.error)}
          </Alert>
        )}
        {made.isError && wish && <Failed error={made.error} retry={() => void made.refetch()} />}
        {made.isPending && wish && <Loading rows={8} label={say("generating")} />}
        {answer && !made.isError && (
          <Box sx={{ opacity: made.isPlaceholderData ? 0.6 : 1 }}>
            {sessions > 0 && (
              <Box sx={{ mb: 4 }}>
                <Story story={answer.story} leftOut={answer.leftOut} />
              </Box>
            )}
            {answer.changes && (
              <Box sx={{ mb: 5 }}>
                <Changes items={answer.changes} />
              </Box>
            )}
            {sessions === 0 && (
              <Empty title={say("noSessionCanBePlannedYet")}>{say("whatIsInTheWayStandsBeside")}</Empty>
            )}
            {sessions > 0 && (
              <>
                <WeekStrip
                  block={answer.block}
                  weeks={answer.reading.weeks}
                  cautions={answer.reading.cautions}
                  open={open}
                  onOpen={setWeek}
                  today={today}
                />
                <Box sx={{ mt: 3 }}>
                  <WeekPreview
                    week={answer.block.weeks[open]!}
                    reading={answer.reading.weeks[open]}
                    why={why}
                    athlete={athlete}
                  />
                </Box>
                {wish && <OtherSchool athleteId={athleteId} blockId={blockId} wish={wish} own={props.schools} />}
              </>
            )}
          </Box>
        )}
      </Box>
    </Box>
  );
}
