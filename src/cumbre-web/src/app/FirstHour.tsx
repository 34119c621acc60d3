import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useLocation } from "react-router";
import { useSignedIn } from "../shared/account/useMe";
import { api, ask } from "../shared/api/client";
import { messageOf } from "../shared/ui/states";
import { say } from "../words/firsthour";
import { stepsOf } from "./firstHourSteps";

const firstHourQuery = queryOptions({
  queryKey: ["first-hour"],
  queryFn: ({ signal }) => ask(api.GET("/api/first-hour", { signal })),
});

const key = "cumbre.first-hour";

function useFirstHour() {
  const { isClub } = useSignedIn();
  const queries = useQueryClient();
  const { pathname } = useLocation();
  // What was done on the page before counts on this one.
  useEffect(() => void queries.invalidateQueries({ queryKey: firstHourQuery.queryKey }), [pathname, queries]);
  const found = useQuery({ ...firstHourQuery, enabled: isClub });
  return isClub && found.data && !found.data.atWork ? stepsOf(found.data) : [];
}

/** On every page but the Desk: the next step, as long as there is one. */
export function FirstHourStrip() {
  const steps = useFirstHour();
  const { pathname } = useLocation();
  const next = steps.find((s) => !s.done);
  if (!next || pathname === "/" || localStorage.getItem(key) === "hidden") return null;
  const done = steps.filter((s) => s.done).length;
  return (
    <Box
      role="region"
      aria-label={say("title")}
      sx={(t) => ({
        px: { xs: 4, sm: 6 },
        py: 2,
        display: "flex",
        gap: 3,
        flexWrap: "wrap",
        alignItems: "center",
        fontSize: 13,
        bgcolor: t.vars.palette.wash,
        borderBottom: `1px solid ${t.vars.palette.line2}`,
      })}
    >
      <Box component={Link} to="/" sx={{ color: "inherit", fontWeight: 600 }}>
        {say("title")}
      </Box>
      <span>{say("progress", { done, all: steps.length })}</span>
      {next.to ? (
        <Box component={Link} to={next.to}>
          {say("nextIs", { step: next.label })}
        </Box>
      ) : (
        <span>{next.needs}</span>
      )}
    </Box>
  );
}

/** The way from an empty club to the first block that an athlete has in hand. */
export function FirstHourList() {
  const steps = useFirstHour();
  const [hidden, setHidden] = useState(() => localStorage.getItem(key) === "hidden");
  const next = steps.findIndex((s) => !s.done);
  if (next < 0) return null;
  const choose = (hide: boolean) => {
    localStorage.setItem(key, hide ? "hidden" : "shown");
    setHidden(hide);
  };
  if (hidden)
    return (
      <Box sx={{ px: { xs: 4, sm: 6 }, pb: 4 }}>
        <Button size="small" onClick={() => choose(false)}>
          {say("show")}
        </Button>
      </Box>
    );
  return (
    <Box component="section" aria-label={say("title")} sx={{ px: { xs: 4, sm: 6 }, pb: 6, maxWidth: 760 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h2">{say("title")}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mr: "auto" }}>
          {say("progress", { done: steps.filter((s) => s.done).length, all: steps.length })}
        </Typography>
        <Button size="small" onClick={() => choose(true)}>
          {say("hide")}
        </Button>
      </Box>
      <Typography color="textSecondary">{say("about")}</Typography>
      <Box component="ol" sx={{ listStyle: "none", m: 0, mt: 3, p: 0 }}>
        {steps.map((step, i) => (
          <Box
            component="li"
            key={step.id}
            aria-current={i === next ? "step" : undefined}
            sx={(t) => ({
              display: "grid",
              gridTemplateColumns: "24px minmax(0,1fr)",
              gap: 3,
              py: 2.5,
              px: 3,
              borderTop: `1px solid ${t.vars.palette.divider}`,
              bgcolor: i === next ? "background.paper" : "transparent",
            })}
          >
            <Tick done={step.done} number={i + 1} />
            <Box>
              {step.to && !step.done ? (
                <Box component={Link} to={step.to} sx={{ fontWeight: 600 }}>
                  {step.label}
                </Box>
              ) : (
                <Box component="span" sx={{ fontWeight: 600, color: step.done ? "text.secondary" : "inherit" }}>
                  {step.label}
                </Box>
              )}
              {!step.done && (
                <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
                  {step.why} {!step.to && step.needs}
                </Typography>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      <SampleClub />
    </Box>
  );
}

function Tick({ done, number }: { done: boolean; number: number }) {
  return (
    <Box sx={{ width: 24, height: 24, display: "grid", placeItems: "center", border: "1px solid", fontSize: 13 }}>
      {done ? (
        <svg width="14" height="14" viewBox="0 0 14 14" role="img" aria-label={say("done")}>
          <path d="M2 7.5 5.5 11 12 3" fill="none" stroke="currentColor" strokeWidth="2" />
        </svg>
      ) : (
        number
      )}
    </Box>
  );
}

/** Opens the invented club in another window, and links to the page that tells how Cumbre works. */
export function SampleClub({ withHelp = true }: { withHelp?: boolean }) {
  const { demo } = useSignedIn();
  const open = useMutation({
    mutationFn: () => ask(api.POST("/api/sample-club")),
    onSuccess: ({ port }) => {
      window.open(`${window.location.protocol}//${window.location.hostname}:${port}/`, "cumbre-sample");
    },
  });
  return (
    <Box sx={{ mt: 4, display: "flex", gap: 3, flexWrap: "wrap", alignItems: "center" }}>
      {!demo && (
        <>
          <Button onClick={() => open.mutate()} disabled={open.isPending}>
            {say("sample")}
          </Button>
          <Typography variant="body2" color="textSecondary" sx={{ flex: "1 1 260px" }}>
            {say("sampleWhy")}
          </Typography>
        </>
      )}
      {withHelp && (
        <Button component={Link} to="/help">
          {say("help")}
        </Button>
      )}
      {open.isError && (
        <Alert severity="warning" sx={{ flexBasis: "100%" }}>
          {messageOf(open.error)}
        </Alert>
      )}
    </Box>
  );
}
