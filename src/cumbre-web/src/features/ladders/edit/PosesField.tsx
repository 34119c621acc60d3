import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormHelperText from "@mui/material/FormHelperText";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import type { Movement, Posed, PoseEntry, PoseKit, PoseRequest } from "../../../shared/api/types";
import { alike } from "../../../shared/drafts/merge";
import { MovementFigure } from "../../../shared/figure/MovementFigure";
import { PoseEditor } from "../../../shared/figure/PoseEditor";
import { useFigureBook } from "../../../shared/figure/useFigures";
import { say } from "../../../words/ladders";

const most = 4;

const posed = async (pose: PoseRequest) => ({
  posed: (await ask(api.POST("/api/figures/pose", { body: pose }))) as Posed,
});

/** How a movement of the club's own is drawn: positions from start to end, begun from those of another movement. */
export function PosesField({
  poses,
  movements,
  near,
  problem,
  onChange,
}: {
  poses: readonly PoseEntry[];
  movements: readonly Movement[];
  /** Slugs that are likely to look alike, the likeliest first. */
  near: readonly string[];
  problem: string | undefined;
  onChange: (poses: PoseEntry[]) => void;
}) {
  const book = useFigureBook();
  const [at, setAt] = useState(0);
  const drawn = movements.filter((m) => !m.own && book?.movements.has(m.slug));
  const likely = near.map((slug) => drawn.find((m) => m.slug === slug)).find((m) => m !== undefined) ?? drawn[0];
  const [chosen, setChosen] = useState<Movement | null>(null);
  const from = chosen ?? likely;
  const shown = Math.min(at, poses.length - 1);
  const now = poses[shown];
  const put = (pose: PoseEntry) => onChange(poses.map((old, i) => (i === shown ? pose : old)));
  return (
    <Box component="fieldset" sx={{ gridColumn: "1 / -1", m: 0, p: 0, border: 0, minWidth: 0 }}>
      <Typography component="legend" variant="h3" sx={{ mb: 1 }}>
        {say("figure")}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {poses.length === 0 ? say("figureNone") : say("figureHelp")}
      </Typography>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", alignItems: "center", mb: 3 }}>
        {from && <MovementFigure movement={from.slug} size={88} />}
        <Autocomplete
          options={drawn}
          value={from ?? null}
          getOptionLabel={(m) => m.name}
          getOptionKey={(m) => m.slug}
          isOptionEqualToValue={(a, b) => a.slug === b.slug}
          onChange={(_, m) => setChosen(m)}
          sx={{ width: 260 }}
          renderInput={(params) => <TextField {...params} size="small" label={say("figureLike")} />}
        />
        <Button
          size="small"
          disabled={!from || poses.length >= most}
          onClick={() => {
            const keys = book?.movements.get(from?.slug ?? "")?.poses ?? [];
            const added = (poses.length === 0 ? keys : keys.slice(-1)).map((key): PoseEntry => ({ like: key.name }));
            onChange([...poses, ...added].slice(0, most));
            setAt(poses.length);
          }}
        >
          {poses.length === 0 ? say("figureBegin") : say("figureAdd")}
        </Button>
      </Box>
      {poses.length > 0 && (
        <Box
          role="tablist"
          aria-label={say("figurePositions")}
          sx={{ display: "flex", gap: 2, flexWrap: "wrap", mb: 2 }}
        >
          {poses.map((_, i) => (
            <Button
              key={i}
              size="small"
              role="tab"
              aria-selected={i === shown}
              variant={i === shown ? "contained" : "outlined"}
              onClick={() => setAt(i)}
            >
              {say("figurePosition", { at: i + 1 })}
            </Button>
          ))}
          <Button
            size="small"
            onClick={() => {
              onChange(poses.filter((_, i) => i !== shown));
              setAt(Math.max(0, shown - 1));
            }}
          >
            {say("figureRemove")}
          </Button>
        </Box>
      )}
      {now && (
        <Around key={shown} pose={now} onChange={put}>
          <PoseEditor
            start={now}
            ask={posed}
            onResult={(result) => {
              if (!alike(result.posed.pose, now)) put(result.posed.pose);
            }}
          />
        </Around>
      )}
      {problem !== undefined && <FormHelperText error>{problem}</FormHelperText>}
    </Box>
  );
}

const views: Record<NonNullable<PoseEntry["view"]>, string> = {
  Side: say("viewSide"),
  Raised: say("viewRaised"),
  Front: say("viewFront"),
  Oblique: say("viewOblique"),
};

const holds: Record<NonNullable<PoseEntry["hold"]>, string> = {
  Hands: say("holdHands"),
  Hand: say("holdHand"),
  Wrists: say("holdWrists"),
  Feet: say("holdFeet"),
  Hips: say("holdHips"),
  Knees: say("holdKnees"),
  Elbows: say("holdElbows"),
};

const kits: Record<NonNullable<PoseKit["on"]>, string> = {
  None: say("kitNone"),
  Bar: say("kitBar"),
  Rings: say("kitRings"),
  Bars: say("kitBars"),
  Floor: say("kitFloor"),
  Pole: say("kitPole"),
  Blocks: say("kitBlocks"),
};

/** What is around the athlete, above the joints. */
function Around({
  pose,
  onChange,
  children,
}: {
  pose: PoseEntry;
  onChange: (pose: PoseEntry) => void;
  children: React.ReactNode;
}) {
  const choice = <T extends string>(label: string, value: T, of: Record<T, string>, set: (value: T) => void) => (
    <TextField
      select
      size="small"
      fullWidth={false}
      label={label}
      value={value}
      onChange={(e) => set(e.target.value as T)}
      sx={{ width: 150 }}
    >
      {(Object.keys(of) as T[]).map((key) => (
        <MenuItem key={key} value={key}>
          {of[key]}
        </MenuItem>
      ))}
    </TextField>
  );
  // What the pose is like says what stands around until the first answer.
  const whole = pose.view && pose.hold;
  return (
    <>
      {whole && (
        <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", mb: 3 }}>
          {choice(say("seenFrom"), pose.view!, views, (view) => onChange({ ...pose, view }))}
          {choice(say("staysPut"), pose.hold!, holds, (hold) => onChange({ ...pose, hold, free: {} }))}
          {choice(say("handsOn"), pose.kit?.on ?? "None", kits, (on) =>
            onChange({ ...pose, kit: { isTurnedOut: false, isSeat: false, ...pose.kit, on } }),
          )}
        </Box>
      )}
      {children}
    </>
  );
}
