import { useId } from "react";
import type { TrendTime } from "../api/types";
import { dayShort } from "../ui/format";
import { useWidth } from "../ui/useWidth";
import { say } from "../../words/charts";
import { at, begins, dayOf, msOfDay, stretches, ticks, weekLater } from "./time";

const labelWidth = 132,
  rightMargin = 72,
  stripHeight = 46,
  gap = 14,
  headHeight = 16,
  footHeight = 20;

export interface StripValue {
  /** A Monday. */
  week: string;
  /** Null: nothing is known, and nothing is drawn. */
  value: number | null;
  /** Behind it, for instance what was planned. */
  outline?: number | null;
  /** A line over the bars. */
  line?: number | null;
  /** It rests on a part of what was done. */
  partial?: boolean;
}

export interface Strip {
  name: string;
  values: StripValue[];
  /** The top of the scale; without it the largest value. */
  top?: number;
  /** A figure as people say it. */
  say: (value: number) => string;
}

/**
 * One row of bars for each thing, all on the same weeks: no colour has to be told apart. Every scale begins at nothing;
 * rows of one kind share theirs.
 */
export function Strips({ strips, time, label }: { strips: Strip[]; time: TrendTime; label: string }) {
  const [width, ref] = useWidth();
  const hatch = useId();
  const narrow = width < 560;
  const left = narrow ? 0 : labelWidth;
  const rowHeight = stripHeight + gap + (narrow ? headHeight : 0);
  const height = headHeight + strips.length * rowHeight + footHeight;
  const from = at(time.from);
  const to = at(weekLater(strips[0]!.values.at(-1)!.week));
  const room = Math.max(1, width - left - rightMargin);
  const x = (day: string) => left + ((at(day) - from) / (to - from)) * room;
  const bar = (room * 7 * msOfDay) / (to - from);
  const ink = "var(--mui-palette-text-primary)",
    grey = "var(--mui-palette-ink3)",
    glacier = "var(--mui-palette-primary-main)";
  const bottom = headHeight + strips.length * rowHeight;
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg width={width} height={height} role="img" aria-label={label} style={{ display: "block", fontSize: 12 }}>
          <defs>
            <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <path d="M0 0v6" stroke="var(--mui-palette-line2)" strokeWidth="1.5" />
            </pattern>
          </defs>
          {stretches(time.deloads).map((d) => (
            <rect
              key={d.from}
              x={x(d.from)}
              y={headHeight}
              width={Math.max(0, Math.min(left + room, x(d.to)) - x(d.from))}
              height={bottom - gap - headHeight}
              fill={`url(#${hatch})`}
            />
          ))}
          {begins(time).map((b, i, all) => {
            const next = all[i + 1];
            const wide = next ? x(next.start) - x(b.start) : left + room - x(b.start);
            return (
              <g key={b.id}>
                <path d={`M${x(b.start)} 0V${bottom}`} stroke={grey} strokeWidth="1" strokeDasharray="2 3" />
                {wide > 60 && (
                  <text x={x(b.start) + 4} y={11} fill={grey} fontSize={11}>
                    {b.name.slice(0, Math.floor(wide / 6.5))}
                  </text>
                )}
              </g>
            );
          })}
          {strips.map((strip, row) => {
            const base = headHeight + row * rowHeight + rowHeight - gap;
            const top =
              strip.top ?? Math.max(...strip.values.map((v) => Math.max(v.value ?? 0, v.outline ?? 0, v.line ?? 0)), 0);
            const y = (v: number) => base - (top > 0 ? (v / top) * stripHeight : 0);
            const most = Math.max(...strip.values.map((v) => Math.max(v.value ?? 0, v.outline ?? 0)), 0);
            return (
              <g key={strip.name}>
                <text
                  x={0}
                  y={narrow ? base - stripHeight - 4 : base - 4}
                  fill={ink}
                  fontWeight={600}
                  style={{ fontWeight: 600 }}
                >
                  {strip.name}
                </text>
                <text x={left + room + 6} y={base - stripHeight + 9} fill={grey} fontSize={11}>
                  {strip.say(top)}
                </text>
                <path d={`M${left} ${base}h${room}`} stroke="var(--mui-palette-rock)" strokeWidth="1" />
                {strip.values.map((v) => {
                  const [px, w] = [x(v.week) + bar * 0.14, Math.max(1, bar * 0.72)];
                  return (
                    <g key={v.week}>
                      {!!v.outline && (
                        <rect
                          x={px}
                          y={y(v.outline)}
                          width={w}
                          height={base - y(v.outline)}
                          fill="none"
                          stroke={grey}
                          strokeWidth="1"
                        />
                      )}
                      {v.value !== null && (
                        <rect
                          x={px}
                          y={y(v.value)}
                          width={w}
                          height={base - y(v.value)}
                          fill={v.partial ? "none" : glacier}
                          stroke={glacier}
                          strokeWidth={v.value > 0 ? 1 : 0}
                          strokeDasharray={v.partial ? "2 2" : undefined}
                        >
                          <title>
                            {say(v.partial ? "weekOfPartly" : "weekOf", {
                              day: dayShort(v.week, time.today),
                              value: strip.say(v.value),
                            })}
                          </title>
                        </rect>
                      )}
                    </g>
                  );
                })}
                <path
                  d={strip.values
                    .map((v, i) =>
                      v.line === null || v.line === undefined
                        ? ""
                        : `${i > 0 && strip.values[i - 1]?.line != null ? "L" : "M"}${x(v.week) + bar / 2} ${y(v.line)}`,
                    )
                    .join("")}
                  fill="none"
                  stroke={ink}
                  strokeWidth="1.5"
                />
                {most === 0 && (
                  <text x={left + 4} y={base - 6} fill={grey}>
                    {say("none")}
                  </text>
                )}
              </g>
            );
          })}
          {ticks(time.from, dayOf(to - msOfDay), Math.max(2, Math.floor(room / 90))).map((day) => (
            <g key={day}>
              <path d={`M${x(day)} ${bottom - gap}v4`} stroke={grey} strokeWidth="1" />
              <text x={x(day)} y={bottom + 6} fill={grey} textAnchor="middle">
                {dayShort(day, time.today)}
              </text>
            </g>
          ))}
        </svg>
      )}
    </div>
  );
}
