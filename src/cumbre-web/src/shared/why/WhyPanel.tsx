import { Listed } from "../ui/Listed";
import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useUnit } from "../account/useMe";
import type { Explanation, MassUnit, Threshold as ThresholdRow } from "../api/types";
import { haveNeed } from "../ladders/wording";
import { added, dayShort } from "../ui/format";
import { KeyCap } from "../ui/KeyCap";
import { Cautions } from "./Cautions";
import { text } from "./quantity";
import type { OpenFigure } from "./WhyContext";
import { inputLabel, roundingText, ruleText, sourceText, stepText } from "./wording";
import { Term } from "../ui/Term";
import { say } from "../../words/why";

/** Characters that a figure of the big size has room for. */
const longestFigure = 16;

/** Inputs, rule, working, rounding, source, cautions of a figure: the same panel everywhere. */
export function WhyPanel({ figure, close }: { figure: OpenFigure; close: () => void }) {
  const unit = useUnit();
  const { why } = figure;
  // Words say it once; a figure is worth its size.
  const words = figure.shown.length > longestFigure;
  return (
    <Box sx={{ display: "flex", flexDirection: "column", minHeight: "100%" }}>
      <Box sx={{ px: 5, pt: 4, pb: 3 }}>
        <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "center", gap: 2 }}>
          <Typography variant="h2" sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
            <Term id="why">{say("why")}</Term>
            <Box
              component="span"
              sx={{
                bgcolor: "primary.main",
                color: "primary.contrastText",
                px: 1.5,
                borderRadius: "2px",
                whiteSpace: words ? "normal" : "nowrap",
              }}
            >
              {figure.shown}
            </Box>
          </Typography>
          <ButtonBase onClick={close} aria-label={say("escCloseWhy")} sx={{ minWidth: 24, minHeight: 24 }}>
            <KeyCap>{say("esc")}</KeyCap>
          </ButtonBase>
        </Box>
        <Typography variant="body2" color="textSecondary">
          {figure.subject}
        </Typography>
        <Box sx={{ display: "flex", gap: 4, alignItems: "center", mt: 2, flexWrap: "wrap" }}>
          {!words && (
            <Typography variant="figure" component="p" sx={{ whiteSpace: "nowrap" }}>
              {figure.shown}
            </Typography>
          )}
          {figure.note && (
            <Typography variant="body2" component="div" color="textSecondary">
              {figure.note}
            </Typography>
          )}
        </Box>
      </Box>
      <Inputs why={why} unit={unit} />
      <Section title={say("rule")}>
        <Typography variant="body2" sx={{ lineHeight: "18px" }}>
          {ruleText(why, unit)}
        </Typography>
      </Section>
      {why.working.length > 0 && (
        <Section title={say("working")}>
          <Pairs rows={why.working.map((s) => [stepText(s.key, s.args, unit), text(s.result, unit)])} />
        </Section>
      )}
      {why.rounding.length > 0 && (
        <Section title={say("rounding")}>
          {why.rounding.map((r, i) => (
            <Typography key={i} variant="body2" sx={{ lineHeight: "18px" }}>
              {roundingText(r.key, r.args, unit)}
            </Typography>
          ))}
        </Section>
      )}
      {why.sources.length > 0 && (
        <Section title={say("source")}>
          <Typography variant="body2" color="textSecondary" sx={{ lineHeight: "18px" }}>
            {sourceText(why.sources)}
          </Typography>
        </Section>
      )}
      <Cautions notes={why.cautions} />
      {figure.effect && (
        <Box
          sx={(t) => ({
            mt: "auto",
            px: 5,
            py: 4,
            borderTop: `1px solid ${t.vars.palette.line2}`,
            fontSize: 13,
            lineHeight: "18px",
          })}
        >
          {figure.effect}
        </Box>
      )}
    </Box>
  );
}

function Inputs({ why, unit }: { why: Explanation; unit: MassUnit }) {
  if (why.inputs.length === 0 && why.exposures.length === 0 && (why.thresholds ?? []).length === 0) return null;
  return (
    <Section title={say("inputs")}>
      {why.exposures.map((e, i) => (
        <Box
          key={i}
          sx={{
            display: "grid",
            gridTemplateColumns: "64px 1fr auto",
            fontSize: 13,
            lineHeight: "22px",
            fontStretch: "92%",
          }}
        >
          <span>{dayShort(e.day)}</span>
          <span>{added(e.addedKilograms, unit)}</span>
          <Box
            component="span"
            sx={{ display: "inline-flex", gap: "3px", flexWrap: "wrap", justifyContent: "flex-end" }}
          >
            {e.sets.map((s, j) => (
              <Box
                key={j}
                component="span"
                aria-label={say("reps", { reps: s.reps, value: s.met ? "met" : "missed" })}
                role="img"
                sx={(t) => ({
                  minWidth: 24,
                  height: 18,
                  lineHeight: "16px",
                  fontSize: 12,
                  textAlign: "center",
                  border: "1px solid",
                  borderColor: s.met ? "primary.main" : t.vars.palette.ink3,
                  bgcolor: s.met ? "primary.main" : "transparent",
                  color: s.met ? "primary.contrastText" : "inherit",
                  fontWeight: s.met ? 600 : 400,
                })}
              >
                {s.reps}
              </Box>
            ))}
          </Box>
        </Box>
      ))}
      <Pairs rows={why.inputs.map((f) => [inputLabel(f.key), text(f.value, unit)])} />
      {why.thresholds?.map((t) => (
        <Threshold key={`${t.benchmark}-${t.need}`} threshold={t} unit={unit} />
      ))}
    </Section>
  );
}

/** A threshold with its bar: have of need, and how old the result is. */
function Threshold({ threshold: t, unit }: { threshold: ThresholdRow; unit: MassUnit }) {
  return (
    <Box sx={{ fontSize: 13, lineHeight: "17px", fontStretch: "92%", mt: 1.5 }}>
      <Box sx={{ display: "flex", gap: 2 }}>
        <span>{t.name}</span>
        <Box component="span" sx={{ ml: "auto", fontWeight: t.met ? 400 : 650, textAlign: "right" }}>
          {haveNeed(t, unit)}
        </Box>
      </Box>
      <svg width="100%" height="6" viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
        <rect y="1" width="100" height="4" fill="var(--mui-palette-line2)" />
        <rect
          y="1"
          width={100 * t.fraction}
          height="4"
          fill={t.met ? "var(--mui-palette-primary-main)" : "var(--mui-palette-text-primary)"}
        />
      </svg>
      {t.day && (
        <Box sx={{ color: t.stale ? "warning.main" : "text.secondary" }}>
          <Listed>
            {dayShort(t.day)}
            {t.stale && say("daysOld", { ageDays: t.ageDays })}
          </Listed>
        </Box>
      )}
    </Box>
  );
}

function Pairs({ rows }: { rows: [string, string][] }) {
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: "grid",
        gridTemplateColumns: "minmax(min-content, 1fr) fit-content(64%)",
        columnGap: 3,
        fontSize: 13,
        lineHeight: "18px",
        fontStretch: "92%",
      }}
    >
      {rows.map(([label, value], i) => [
        <Box component="dt" key={`t${i}`} sx={{ color: "text.secondary" }}>
          {label}
        </Box>,
        <Box
          component="dd"
          key={`d${i}`}
          sx={{
            m: 0,
            textAlign: "right",
            fontWeight: 550,
            whiteSpace: value.length > longestFigure ? "normal" : "nowrap",
          }}
        >
          {value}
        </Box>,
      ])}
    </Box>
  );
}

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box component="section" sx={{ px: 5, py: 2, borderTop: 1, borderColor: "divider" }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}
