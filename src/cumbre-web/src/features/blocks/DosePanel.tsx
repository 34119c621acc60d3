import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useUnit } from "../../shared/account/useMe";
import type { BlockReading, ProgrammeCaution, Remedy, SessionReading, WeekReading } from "../../shared/api/types";
import { dayWeek, mass, minutes, number, listed } from "../../shared/ui/format";
import { visuallyHidden } from "../../shared/ui/hidden";
import { StatusShape } from "../../shared/ui/StatusShape";
import { text } from "../../shared/why/quantity";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { cautionText } from "../../shared/why/wording";
import { AskWhy } from "./AskWhy";
import { remedyText } from "../../shared/blocks/wording";
import { Term } from "../../shared/ui/Term";
import { say as word } from "../../words/common";
import { say } from "../../words/blocks";

interface Props {
  reading: BlockReading;
  week: number;
  session: string | null;
  /** Minutes that the athlete has. */
  have: number | null;
  athlete: string;
  letterOf: (item: string | null | undefined) => string | undefined;
  dayOf: (session: string) => string | undefined;
  onRemedy: (remedy: Remedy) => void;
  onKeep: (key: string, reason: string) => void;
  onUnkeep: (key: string) => void;
}

/** What the open week or session costs, and what to look at. */
export function DosePanel(props: Props) {
  const { reading, week, session, have, athlete } = props;
  const [of, setOf] = useState<"week" | "session">("week");
  const now = reading.weeks[week];
  const open = now?.sessions.find((s) => s.id === session);
  if (!now) return null;
  const cautions = reading.cautions.filter(
    (c) => c.week === week + 1 && (of === "week" || c.session === null || c.session === session),
  );
  return (
    <Box>
      <Box sx={{ display: "flex", alignItems: "center", px: 4, py: 3 }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          {say("doseWeek", { week: week + 1 })}
        </Typography>
        <ToggleButtonGroup
          exclusive
          value={of}
          onChange={(_, v: "week" | "session" | null) => v && setOf(v)}
          aria-label={say("doseOf")}
        >
          <ToggleButton value="week">{say("week3")}</ToggleButton>
          <ToggleButton value="session" disabled={!open}>
            {say("session")}
          </ToggleButton>
        </ToggleButtonGroup>
      </Box>
      {of === "session" && open ? (
        <OfSession session={open} have={have} />
      ) : (
        <OfWeek week={now} have={have} athlete={athlete} dayOf={props.dayOf} />
      )}
      <Box role="list" aria-label={say("cautions")}>
        {cautions.map((c) => (
          <Caution key={c.key} caution={c} {...props} />
        ))}
      </Box>
      {cautions.length === 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ px: 4, py: 3, borderTop: 1, borderColor: "divider" }}>
          {say("nothingToLookAt")}
        </Typography>
      )}
    </Box>
  );
}

function OfWeek({
  week,
  have,
  athlete,
  dayOf,
}: {
  week: WeekReading;
  have: number | null;
  athlete: string;
  dayOf: Props["dayOf"];
}) {
  const unit = useUnit();
  const straight = week.straightArm.value.number ?? 0;
  return (
    <>
      <Sets patterns={week.patterns} week={week.number} />
      <Box sx={{ px: 4, py: 2, borderTop: 1, borderColor: "divider" }}>
        <Figure
          label={say("pullToPush")}
          value={
            week.pullToPush === null ? (
              week.pull > 0 ? (
                "no push"
              ) : (
                "–"
              )
            ) : (
              <AskWhy
                figure="PullToPush"
                week={week.number}
                subject={say("pullToPush2")}
                shown={`${number(week.pullToPush)} : 1`}
              >
                {number(week.pullToPush)} : 1
              </AskWhy>
            )
          }
          note={say("andSetsRangeTo", {
            pull: week.pull,
            push: week.push,
            pullToPushFrom: number(week.pullToPushFrom),
            pullToPushTo: number(week.pullToPushTo),
          })}
          share={week.pullToPush === null ? null : week.pullToPush / 2}
          from={week.pullToPushFrom / 2}
          to={week.pullToPushTo / 2}
        />
        <Figure
          label={<Term id="straightArm">{say("straightArmWork")}</Term>}
          value={
            straight === 0 ? (
              word("none")
            ) : (
              <WhyFigure
                figure={{
                  key: `straight-${week.number}`,
                  shown: text(week.straightArm.value, unit),
                  subject: say("straightArmWorkOfWeek", { athlete, number: week.number }),
                  why: week.straightArm.why,
                }}
              />
            )
          }
          note={
            week.straightArmMost === null
              ? say("sNoWeekBeforeItToGrow", { straightArmSeconds: week.straightArmSeconds })
              : say("sTheRampAllows", {
                  straightArmSeconds: week.straightArmSeconds,
                  text: text({ ...week.straightArm.value, number: week.straightArmMost }, unit),
                })
          }
          share={week.straightArmMost ? straight / (week.straightArmMost * 1.2) : null}
          from={0}
          to={1 / 1.2}
        />
        <Figure
          label={say("leftAndRight")}
          value={
            <AskWhy
              figure="Sides"
              week={week.number}
              subject={say("leftAndRight2")}
              shown={`${week.left} : ${week.right}`}
            >
              {week.left} : {week.right}
            </AskWhy>
          }
          note={week.left + week.right === 0 ? say("nothingOnOneSideAtATime") : say("repsAndSecondsOnOneSideAt")}
          share={week.left + week.right === 0 ? null : week.right / (week.left + week.right)}
          from={0.45}
          to={0.55}
        />
        <Line label={<Term id="timeUnderTension">{say("underTension")}</Term>} value={minutes(week.tensionSeconds)} />
        <Line
          label={say("volumeLoadWhereItIsKnown")}
          value={
            week.volumeLoadKg > 0 ? (
              <AskWhy figure="Volume" week={week.number} subject={say("volumeLoad")}>
                {mass(week.volumeLoadKg, unit, 1)}
              </AskWhy>
            ) : (
              word("none")
            )
          }
        />
        {week.sessions.map((s) => (
          <Line
            key={s.id}
            label={dayWeek(dayOf(s.id) ?? "")}
            value={minutesOf(s.seconds, have)}
            warn={have !== null && s.seconds > have * 60}
          />
        ))}
      </Box>
    </>
  );
}

/** How long a session takes, against what the athlete has. */
function minutesOf(seconds: number, have: number | null) {
  const needed = Math.ceil(seconds / 60);
  return have === null ? say("minutesAlone", { minutes: needed }) : say("minutesOfHave", { minutes: needed, have });
}

function OfSession({ session, have }: { session: SessionReading; have: number | null }) {
  const saved = session.groups.reduce((sum, g) => sum + g.savedSeconds, 0);
  return (
    <>
      <Sets patterns={session.patterns} />
      <Box sx={{ px: 4, py: 2, borderTop: 1, borderColor: "divider" }}>
        <Line label={say("sets")} value={say("setsHard", { sets: session.sets, hard: session.hardSets })} />
        <Line label={<Term id="timeUnderTension">{say("underTension")}</Term>} value={`${session.tensionSeconds} s`} />
        <Line
          label={<Term id="straightArm">{say("straightArmWork")}</Term>}
          value={`${session.straightArmSeconds} s`}
        />
        <Line label={say("savedByPairs")} value={saved > 0 ? minutes(saved) : say("nothingSaved")} />
        <Line
          label={say("minutes")}
          value={minutesOf(session.seconds, have)}
          warn={have !== null && session.seconds > have * 60}
        />
      </Box>
    </>
  );
}

function Sets({ patterns, week }: { patterns: WeekReading["patterns"]; week?: number }) {
  const most = Math.max(24, ...patterns.map((p) => p.sets));
  if (patterns.length === 0)
    return (
      <Typography variant="body2" color="textSecondary" sx={{ px: 4, pb: 3 }}>
        {say("noHardSetsYet")}
      </Typography>
    );
  return (
    <Box sx={{ px: 4, pb: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        <Term id="hardSet">{say("hardSetsByPattern")}</Term>
      </Typography>
      <Box
        component="table"
        aria-label={say("hardSetsByPattern")}
        sx={{
          width: "100%",
          borderCollapse: "collapse",
          fontSize: 12,
          lineHeight: "20px",
          fontStretch: "88%",
          "& td, & th": { p: 0, fontWeight: 400 },
        }}
      >
        <thead>
          <tr>
            {[say("columnPattern"), say("columnShare"), say("sets"), say("columnUsual")].map((h) => (
              <Box component="th" key={h} scope="col">
                <Box component="span" sx={visuallyHidden}>
                  {h}
                </Box>
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          {patterns.map((p) => (
            <tr key={p.pattern}>
              <Box
                component="th"
                scope="row"
                sx={{ textAlign: "left", width: 104, "&::first-letter": { textTransform: "uppercase" } }}
              >
                {p.pattern}
              </Box>
              <td>
                <Range share={p.sets / most} from={(p.from ?? 0) / most} to={(p.to ?? 0) / most} />
              </td>
              <Box component="td" sx={{ textAlign: "right", width: 28, fontWeight: "650 !important" }}>
                {week === undefined ? (
                  p.sets
                ) : (
                  <AskWhy
                    figure="HardSets"
                    week={week}
                    pattern={p.pattern}
                    subject={say("hardSets2", { pattern: p.pattern })}
                  >
                    {p.sets}
                  </AskWhy>
                )}
              </Box>
              <Box component="td" sx={{ textAlign: "right", width: 48, color: "text.secondary" }}>
                {p.from !== null && `${p.from}–${p.to}`}
              </Box>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

/** A mark on a track with the usual range shaded. */
function Range({ share, from, to }: { share: number | null; from: number; to: number }) {
  return (
    <Box aria-hidden sx={{ position: "relative", height: 10, display: "flex", alignItems: "center" }}>
      <Box data-meter="track" sx={{ height: 4, width: "100%", bgcolor: "divider" }} />
      {to > from && share !== null && (
        <Box
          data-meter="range"
          sx={(t) => ({
            position: "absolute",
            left: `${from * 100}%`,
            width: `${(to - from) * 100}%`,
            height: 8,
            bgcolor: t.vars.palette.glacierMid,
            opacity: 0.6,
          })}
        />
      )}
      {share !== null && (
        <Box
          data-meter="value"
          sx={{
            position: "absolute",
            left: `calc(${Math.min(1, Math.max(0, share)) * 100}% - 1px)`,
            width: 3,
            height: 10,
            bgcolor: "text.primary",
          }}
        />
      )}
    </Box>
  );
}

function Figure({
  label,
  value,
  note,
  share,
  from,
  to,
}: {
  label: React.ReactNode;
  value: React.ReactNode;
  note: string;
  share: number | null;
  from: number;
  to: number;
}) {
  return (
    <Box sx={{ mb: 2 }}>
      <Line label={label} value={value} />
      <Range share={share} from={from} to={to} />
      <Typography variant="caption" color="textSecondary" component="p">
        {note}
      </Typography>
    </Box>
  );
}

function Line({ label, value, warn = false }: { label: React.ReactNode; value: React.ReactNode; warn?: boolean }) {
  return (
    <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2, fontSize: 13, lineHeight: "20px" }}>
      <Box component="span" sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        {warn && <StatusShape status="caution" />}
        {label}
      </Box>
      <b>{value}</b>
    </Box>
  );
}

/** A caution with what one press does about it, and the way to keep it. */
function Caution({ caution, letterOf, dayOf, onRemedy, onKeep, onUnkeep }: { caution: ProgrammeCaution } & Props) {
  const unit = useUnit();
  const [saying, setSaying] = useState(false);
  const [reason, setReason] = useState("");
  const letter = letterOf(caution.item);
  const day = caution.session ? dayOf(caution.session) : undefined;
  const place = listed(day && dayWeek(day), letter);
  const said = cautionText({ id: caution.id, args: caution.args }, unit);
  if (caution.keptBecause)
    return (
      <Box
        role="listitem"
        sx={{
          px: 4,
          py: 2,
          borderTop: 1,
          borderColor: "divider",
          fontSize: 13,
          lineHeight: "17px",
          color: "text.secondary",
        }}
      >
        {say(place ? "keptAt" : "kept", { place, said, keptBecause: caution.keptBecause })}{" "}
        <Button size="small" variant="text" onClick={() => onUnkeep(caution.key)} sx={{ minHeight: 20, py: 0 }}>
          {say("lookAtItAgain")}
        </Button>
      </Box>
    );
  return (
    <Box
      role="listitem"
      sx={(t) => ({
        px: 4,
        py: 3,
        bgcolor: t.vars.palette.cautionWash,
        borderTop: `1px solid ${t.vars.palette.line2}`,
      })}
    >
      <Box sx={{ display: "flex", gap: 2, fontSize: 13, lineHeight: "18px" }}>
        <StatusShape status="caution" />
        <span>
          {place && <b>{place}. </b>}
          {said}
        </span>
      </Box>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", mt: 2, ml: 5 }}>
        {caution.remedies.map((r, i) => (
          <Button
            key={i}
            size="small"
            onClick={() => onRemedy(r)}
            sx={{ whiteSpace: "normal", textAlign: "left", lineHeight: "16px" }}
          >
            {remedyText(r, letterOf(r.item))}
          </Button>
        ))}
        {!saying && (
          <Button size="small" onClick={() => setSaying(true)}>
            {say("keepSayWhy")}
          </Button>
        )}
      </Box>
      {saying && (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim()) onKeep(caution.key, reason.trim());
          }}
          sx={{ mt: 2, ml: 5, display: "flex", gap: 2 }}
        >
          <TextField
            label={say("whyItStays")}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            autoFocus
            slotProps={{ htmlInput: { maxLength: 400 } }}
          />
          <Button type="submit" disabled={!reason.trim()}>
            {say("keep")}
          </Button>
        </Box>
      )}
    </Box>
  );
}
