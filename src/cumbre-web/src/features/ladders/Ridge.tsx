import Box from "@mui/material/Box";
import Paper from "@mui/material/Paper";
import Popper from "@mui/material/Popper";
import { useEffect, useRef, useState } from "react";
import type { Status } from "../../shared/ui/StatusShape";
import { filledTo, jumps, largestJump, path, ridgeLine, ridgePoints } from "../../shared/ladders/geometry";
import { useWidth } from "../../shared/ui/useWidth";
import { say } from "../../words/ladders";
import { listed } from "../../shared/ui/format";

/** A step as the ridge draws it. */
export interface RidgeStep {
  key: string;
  name: string;
  share: number;
  status: Status;
  /** What the status means here, in words. */
  statusWord: string;
  /** Shares of unmet gates, drawn as bars that fill. */
  bars?: number[];
  /** A second line under the name. */
  note?: string;
  /** Flags of several athletes. */
  flags?: string[];
  /** Athletes who would leave this step, as hollow flags. */
  leaving?: string[];
}

const glacier = "var(--mui-palette-primary-main)";
const ink = "var(--mui-palette-text-primary)";
const paper = "var(--mui-palette-background-paper)";
const rock = "var(--mui-palette-rock)";
const minimumPitch = 74;
/** Left of the first step, for the figures of the axis. */
const axis = 40;

/**
 * A ladder as a section through a ridge: steps along, demand up; filled up to the step in training, a flag on it, bars for
 * unmet gates. Each step is a button that shows its card on hover, focus and touch.
 */
export function Ridge({
  label,
  steps,
  training,
  card,
  height = 262,
  children,
}: {
  label: string;
  steps: RidgeStep[];
  training: number | null;
  card?: (step: number) => React.ReactNode;
  height?: number;
  children?: React.ReactNode;
}) {
  const [room, ref] = useWidth();
  const scroller = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState<{ step: number; anchor: Element } | null>(null);
  const width = Math.max(room, steps.length * minimumPitch + axis);
  const pitch = (width - axis) / steps.length;
  const frame = { width, left: axis + pitch / 2, right: pitch / 2, top: 52, base: height - 10 };
  const shares = steps.map((s) => s.share);
  const points = ridgePoints(shares, frame);
  const line = ridgeLine(points, frame);
  const flagX = training === null ? 0 : points[training]!.x;
  // On a narrow screen the flag is what is looked for first.
  useEffect(() => {
    scroller.current?.scrollTo({ left: flagX - room / 2 });
  }, [flagX, room]);
  const rises = jumps(shares);
  const steepest = largestJump(shares, training ?? 0);
  return (
    <Box ref={ref} sx={{ position: "relative" }}>
      {children}
      {room === 0 && <Box sx={{ height }} />}
      {room > 0 && (
        <Box
          ref={scroller}
          sx={{ overflowX: "auto", overflowY: "hidden", pb: width > room ? 3 : 0 }}
          tabIndex={width > room ? 0 : undefined}
          role="group"
          aria-label={label}
        >
          <Box sx={{ position: "relative", width, height }}>
            <svg
              width={width}
              height={height}
              viewBox={`0 0 ${width} ${height}`}
              aria-hidden="true"
              style={{ display: "block" }}
            >
              {[0.25, 0.5, 0.75, 1].map((share) => {
                const y = frame.base - (share / Math.max(1, ...shares)) * (frame.base - frame.top);
                return (
                  <g key={share}>
                    <line x1={34} x2={width} y1={y} y2={y} stroke="var(--mui-palette-line2)" strokeDasharray="2 4" />
                    <text x={0} y={y + 4} fontSize="12" fill="var(--mui-palette-ink3)">
                      {share * 100} %
                    </text>
                  </g>
                );
              })}
              <path
                d={path([...line, { x: line.at(-1)!.x, y: frame.base }, { x: line[0]!.x, y: frame.base }], true)}
                fill={paper}
              />
              <path d={path(filledTo(points, frame, training), true)} fill={glacier} />
              {training !== null &&
                points
                  .slice(0, training)
                  .map((p, i) => (
                    <line
                      key={i}
                      x1={p.x}
                      x2={p.x}
                      y1={p.y}
                      y2={frame.base}
                      stroke="var(--mui-palette-glacierMid)"
                      strokeWidth="1"
                    />
                  ))}
              <path d={path(line)} fill="none" stroke={ink} strokeWidth="2" strokeLinejoin="round" />
              <line x1={line[0]!.x} x2={line.at(-1)!.x} y1={frame.base} y2={frame.base} stroke={ink} strokeWidth="1" />
              {rises.map((rise, i) => (
                <text
                  key={i}
                  x={(points[i]!.x + points[i + 1]!.x) / 2}
                  y={frame.base - 8}
                  textAnchor="middle"
                  fontSize={i === steepest ? 15 : 12}
                  fontWeight={i === steepest ? 650 : 400}
                  fill={training !== null && i < training ? "var(--mui-palette-primary-contrastText)" : ink}
                >
                  {rise > 0 ? `+${rise}` : rise < 0 ? `−${-rise}` : "±0"}
                </text>
              ))}
              {steps.map((step, i) => (
                <Bars key={step.key} at={points[i]!} bars={step.bars ?? []} />
              ))}
              {training !== null && !steps[training]?.flags && <Pole at={points[training]!} height={46} />}
              {steps.map(
                (step, i) =>
                  step.flags &&
                  step.flags.length > 0 && (
                    <Pole key={step.key} at={points[i]!} height={26} count={step.flags.length} />
                  ),
              )}
              {steps.map(
                (step, i) =>
                  step.leaving &&
                  step.leaving.length > 0 && (
                    <Pole key={`${step.key}-leaving`} at={points[i]!} height={44} count={step.leaving.length} hollow />
                  ),
              )}
            </svg>
            {steps.map((step, i) => (
              <Box
                key={step.key}
                component="button"
                type="button"
                aria-label={nameOf(step)}
                aria-expanded={shown?.step === i}
                onMouseEnter={(e) => setShown({ step: i, anchor: e.currentTarget })}
                onMouseLeave={() => setShown(null)}
                onFocus={(e) => setShown({ step: i, anchor: e.currentTarget })}
                onBlur={() => setShown(null)}
                onClick={(e) => setShown({ step: i, anchor: e.currentTarget })}
                onKeyDown={(e) => e.key === "Escape" && setShown(null)}
                sx={{
                  position: "absolute",
                  left: points[i]!.x - 13,
                  top: points[i]!.y - 13,
                  width: 26,
                  height: 26,
                  p: 0,
                  border: 0,
                  bgcolor: "transparent",
                  cursor: "pointer",
                  display: "grid",
                  placeItems: "center",
                }}
              >
                <Marker status={step.status} />
              </Box>
            ))}
          </Box>
          <Box
            component="ol"
            aria-hidden="true"
            sx={{
              listStyle: "none",
              m: 0,
              p: 0,
              pl: `${axis}px`,
              display: "grid",
              gridTemplateColumns: `repeat(${steps.length}, ${pitch}px)`,
              width,
              boxSizing: "border-box",
            }}
          >
            {steps.map((step, i) => (
              <Box
                component="li"
                key={step.key}
                sx={{
                  textAlign: "center",
                  fontSize: 12,
                  lineHeight: "15px",
                  fontStretch: "86%",
                  px: 0.5,
                  pt: 1,
                  fontWeight: i === training ? 650 : 400,
                }}
              >
                {step.name}
                <Box sx={{ color: "text.secondary", fontWeight: 400 }}>{Math.round(step.share * 100)} %</Box>
                {step.note && <Box sx={{ color: "text.secondary", fontWeight: 400 }}>{step.note}</Box>}
              </Box>
            ))}
          </Box>
        </Box>
      )}
      {card && shown && (
        <Popper
          open
          anchorEl={shown.anchor}
          placement="top"
          sx={{ zIndex: 1200, pointerEvents: "none" }}
          modifiers={[{ name: "offset", options: { offset: [0, 10] } }]}
        >
          <Paper
            role="tooltip"
            elevation={0}
            sx={(t) => ({ border: `1px solid ${t.vars.palette.rock}`, p: 3, width: 320, maxWidth: "90vw" })}
          >
            {card(shown.step)}
          </Paper>
        </Popper>
      )}
    </Box>
  );
}

/** "Tuck, current step, 34 % of the top step: Ilse"; who would leave it is said last. */
function nameOf(step: RidgeStep) {
  const said = listed(step.name, step.statusWord, say("ofTheSummit", { round: Math.round(step.share * 100) }));
  const flags = step.flags?.length ? `${said}: ${step.flags.join(", ")}` : said;
  return step.leaving?.length ? `${flags}; ${say("leaving", { leaving: step.leaving.join(", ") })}` : flags;
}

function Bars({ at, bars }: { at: { x: number; y: number }; bars: number[] }) {
  const tall = 34;
  return bars.map((fraction, i) => {
    const x = at.x - 12 - (bars.length - i) * 9;
    const y = at.y - tall - 4;
    return (
      <g key={i}>
        <rect x={x} y={y} width="6" height={tall} fill={paper} stroke={rock} />
        <rect x={x} y={y + tall * (1 - fraction)} width="6" height={tall * fraction} fill={ink} />
      </g>
    );
  });
}

function Pole({
  at,
  height,
  count,
  hollow,
}: {
  at: { x: number; y: number };
  height: number;
  count?: number;
  hollow?: boolean;
}) {
  const top = at.y - height;
  return (
    <g>
      <line x1={at.x} x2={at.x} y1={top} y2={at.y} stroke={ink} strokeWidth="2" />
      <path
        d={`M${at.x + 1} ${top}h30l-6 8 6 8h-30z`}
        fill={hollow ? paper : "var(--mui-palette-alpenMark)"}
        stroke={hollow ? rock : "none"}
        strokeDasharray={hollow ? "3 2" : undefined}
      />
      {count !== undefined && (
        <text
          x={at.x + 12}
          y={top + 12}
          fontSize="12"
          fontWeight="650"
          textAnchor="middle"
          fill={hollow ? ink : "#15212B"}
        >
          {count}
        </text>
      )}
    </g>
  );
}

/** The status shapes in the size of the ridge. */
function Marker({ status }: { status: Status }) {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
      <rect
        x="1.5"
        y="1.5"
        width="13"
        height="13"
        fill={status === "won" ? glacier : paper}
        stroke={status === "won" ? paper : ink}
        strokeWidth="1.5"
      />
      {status === "training" && <rect x="2" y="8" width="12" height="6" fill={glacier} />}
      {status === "locked" && <path d="M5 1.5v13" stroke={ink} strokeWidth="2.5" />}
    </svg>
  );
}
