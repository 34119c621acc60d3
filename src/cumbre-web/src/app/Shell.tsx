import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Drawer from "@mui/material/Drawer";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Link, useLocation } from "react-router";
import { useSignedIn } from "../shared/account/useMe";
import { deskQuery } from "../shared/decisions/useDesk";
import { AskOnLeaving } from "../shared/drafts/Saving";
import { Outage } from "../shared/drafts/Outage";
import { useWhy } from "../shared/why/WhyContext";
import { WhyPanel } from "../shared/why/WhyPanel";
import { useAnnounced } from "../shared/ui/announce";
import { visuallyHidden } from "../shared/ui/hidden";
import { Mark } from "../shared/ui/Mark";
import { FirstHourStrip } from "./FirstHour";
import { TopLine } from "./TopLine";
import { usePageHeading } from "../shared/ui/usePageHeading";
import { useKey } from "../shared/keys/useKey";
import { useShellCommands } from "./useShellCommands";
import { say } from "../words/app";

// Opened on demand, loaded on demand.
const CommandPalette = lazy(() => import("./CommandPalette"));
const Preferences = lazy(() => import("./Preferences"));
const KeyHelp = lazy(() => import("./KeyHelp"));

const icons = {
  desk: (
    <>
      <path d="M8 5h12M8 11h12M8 17h12" />
      <path d="M2 8.5v5l3.5-2.5z" fill="currentColor" stroke="none" />
    </>
  ),
  roster: <path d="M2.5 3.5h5v5h-5zM2.5 13.5h5v5h-5zM11 6h9M11 16h9" />,
  tests: (
    <>
      <circle cx="11" cy="12.5" r="7" />
      <path d="M11 12.5V8.5M8.5 2.5h5M11 2.5v3" />
    </>
  ),
  kit: (
    <>
      <path d="M2 11h18" />
      <path d="M5 5v12M8 7v8M14 7v8M17 5v12" />
    </>
  ),
  ladders: (
    <>
      <path d="M2 18h18V5l-6 5-4-2-8 7z" />
      <path d="M2 18v-3l8-7v10z" fill="currentColor" stroke="none" />
    </>
  ),
  log: <path d="M4 2.5h14v17H4zM7.5 7.5h7M7.5 11h7M7.5 14.5h4" />,
  me: (
    <>
      <circle cx="11" cy="7" r="4" />
      <path d="M3 19.5c1-4.5 4-6.5 8-6.5s7 2 8 6.5" />
    </>
  ),
  training: <path d="M3 19v-6h3v6zM9.5 19V9h3v10zM16 19V4h3v15z" />,
};

/** Rail, top line, the page, and the Why panel that pushes it aside. */
export function Shell({ children }: { children: React.ReactNode }) {
  const { account, isCoach } = useSignedIn();
  const { opened, close } = useWhy();
  const wide = useMediaQuery("(min-width:1180px)");
  const narrow = useMediaQuery("(max-width:719px)");
  const [palette, setPalette] = useState(false);
  const [help, setHelp] = useState(false);
  const [preferences, setPreferences] = useState(false);
  const { pathname } = useLocation();

  const page = useRef<HTMLElement>(null);
  usePageHeading(page, pathname);
  useEffect(() => close(), [pathname, close]);
  useKey("palette", () => setPalette(true), { inFields: true });
  useKey("help", () => setHelp(true));
  useKey("close", close, { enabled: opened !== null });
  useShellCommands(
    () => setHelp(true),
    () => setPreferences(true),
  );

  const panel = opened && <WhyPanel figure={opened} close={close} />;
  return (
    <Box
      sx={{
        display: "grid",
        height: "100dvh",
        gridTemplateColumns: narrow ? "1fr" : `72px minmax(0,1fr) ${opened && wide ? "320px" : ""}`,
        gridTemplateRows: narrow ? "48px minmax(0,1fr) 56px" : "48px minmax(0,1fr)",
      }}
    >
      <Box
        component="a"
        href="#page"
        onClick={(e: React.MouseEvent) => {
          e.preventDefault();
          page.current?.focus();
        }}
        sx={{
          position: "absolute",
          left: 8,
          top: 8,
          zIndex: 1300,
          px: 3,
          py: 1.5,
          bgcolor: "background.paper",
          border: "1px solid",
          "&:not(:focus)": visuallyHidden,
        }}
      >
        {say("skipToPage")}
      </Box>
      <Rail narrow={narrow} isCoach={isCoach} athlete={account.athleteId ?? null} />
      <Box component="header" sx={{ gridColumn: narrow ? 1 : "2 / -1", gridRow: 1 }}>
        <TopLine
          narrow={narrow}
          openPalette={() => setPalette(true)}
          openHelp={() => setHelp(true)}
          openPreferences={() => setPreferences(true)}
        />
      </Box>
      {/* Positioned, so that hidden table twins scroll with the page and do not lengthen the document. */}
      <Box
        component="main"
        id="page"
        ref={page}
        tabIndex={-1}
        sx={{ gridColumn: narrow ? 1 : 2, gridRow: 2, overflow: "auto", minWidth: 0, position: "relative" }}
      >
        <Outage />
        <AskOnLeaving />
        <FirstHourStrip />
        {children}
      </Box>
      {wide && panel && (
        <Box
          component="aside"
          role="complementary"
          aria-label={say("why")}
          tabIndex={0}
          sx={(t) => ({
            gridColumn: 3,
            gridRow: 2,
            bgcolor: "background.paper",
            borderLeft: `1px solid ${t.vars.palette.line2}`,
            overflow: "auto",
          })}
        >
          {panel}
        </Box>
      )}
      {!wide && (
        <Drawer
          anchor="right"
          open={opened !== null}
          onClose={close}
          slotProps={{ paper: { sx: { width: 340, maxWidth: "92vw" }, "aria-label": say("why") } }}
        >
          {panel}
        </Drawer>
      )}
      <Announced />
      <Suspense fallback={null}>
        {palette && <CommandPalette open onClose={() => setPalette(false)} />}
        {preferences && <Preferences onClose={() => setPreferences(false)} />}
        {help && <KeyHelp open onClose={() => setHelp(false)} />}
      </Suspense>
    </Box>
  );
}

function Announced() {
  const { text, count } = useAnnounced();
  return (
    <Box role="status" aria-live="polite" data-announced sx={visuallyHidden}>
      <span key={count}>{text}</span>
    </Box>
  );
}

function Rail({ narrow, isCoach, athlete }: { narrow: boolean; isCoach: boolean; athlete: string | null }) {
  const waiting = useQuery({ ...deskQuery, enabled: isCoach }).data?.rows.length ?? 0;
  const ladders = (
    <Place to="/ladders" also={/^\/movements(\/|$)/} label={say("ladders")} icon={icons.ladders} narrow={narrow} />
  );
  return (
    <Box
      component="nav"
      aria-label={say("places")}
      sx={(t) => ({
        gridColumn: 1,
        gridRow: narrow ? 3 : "1 / 3",
        bgcolor: t.vars.palette.rail,
        color: "#C4CFD6",
        display: "flex",
        flexDirection: narrow ? "row" : "column",
        "& a:focus-visible": { outlineColor: "#6CC7D6", outlineOffset: -2 },
      })}
    >
      {!narrow && (
        <Box
          sx={{
            height: 64,
            pt: 3,
            display: "flex",
            flexDirection: "column",
            alignItems: "center",
            gap: "3px",
            color: "#fff",
            fontSize: 12,
            lineHeight: "16px",
            fontWeight: 650,
            fontStretch: "115%",
          }}
        >
          <Mark />
          {say("cumbre")}
        </Box>
      )}
      {isCoach ? (
        <>
          <Place to="/" label={say("desk")} icon={icons.desk} badge={waiting} narrow={narrow} />
          <Place
            to="/roster"
            also={/^\/review(\/|$)|^\/athletes\/(?!.*\/(blocks|generate|import)(\/|$))/}
            label={say("roster")}
            icon={icons.roster}
            narrow={narrow}
          />
          <Place to="/test-days" label={say("testDay")} icon={icons.tests} narrow={narrow} />
          {ladders}
          <Place
            to="/programmes"
            also={/^\/(groups|compare|outbox)(\/|$)|^\/athletes\/[^/]+\/(blocks|generate|import)(\/|$)/}
            label={say("programmes")}
            icon={icons.training}
            narrow={narrow}
          />
          <Place to="/logbook" also={/^\/exchange(\/|$)/} label={say("logbook")} icon={icons.log} narrow={narrow} />
          <Place to="/kit" label={say("kit")} icon={icons.kit} narrow={narrow} />
        </>
      ) : (
        <>
          {athlete ? (
            <>
              <Place to="/" label={say("today")} icon={icons.tests} narrow={narrow} />
              <Place
                to="/progress"
                also={/^\/(ladders|movements)(\/|$)|^\/athletes\/(?!.*\/(sessions|kit|privacy)(\/|$))/}
                label={say("progress")}
                icon={icons.training}
                narrow={narrow}
              />
              <Place
                to="/log"
                also={/^\/athletes\/.*\/sessions(\/|$)/}
                label={say("log")}
                icon={icons.log}
                narrow={narrow}
              />
              <Place
                to="/me"
                also={/^\/(account|privacy|help)(\/|$)|^\/athletes\/.*\/(kit|privacy)(\/|$)/}
                label={say("me")}
                icon={icons.me}
                narrow={narrow}
              />
            </>
          ) : (
            <>
              <Place to="/" also={/^\/athletes\//} label={say("training")} icon={icons.training} narrow={narrow} />
              {ladders}
            </>
          )}
        </>
      )}
    </Box>
  );
}

/** A main page; it is marked on every page that belongs to it. */
function Place({
  to,
  also,
  label,
  icon,
  badge = 0,
  narrow,
}: {
  to: string;
  /** Other paths that belong to it. */
  also?: RegExp;
  label: string;
  icon: React.ReactNode;
  badge?: number;
  narrow: boolean;
}) {
  const { pathname } = useLocation();
  const within = pathname === to || (to !== "/" && pathname.startsWith(`${to}/`)) || also?.test(pathname);
  return (
    <ButtonBase
      component={Link}
      to={to}
      aria-current={pathname === to ? "page" : within ? "true" : undefined}
      sx={(t) => ({
        height: narrow ? 56 : 64,
        flex: narrow ? 1 : "none",
        display: "flex",
        flexDirection: "column",
        gap: "5px",
        fontSize: 12,
        lineHeight: "14px",
        fontStretch: "86%",
        position: "relative",
        "&[aria-current]": {
          bgcolor: t.vars.palette.background.default,
          color: "text.primary",
          fontWeight: 600,
          boxShadow: [narrow ? "inset 0 3px 0" : "inset 3px 0 0", t.vars.palette.primary.main].join(" "),
        },
      })}
    >
      {badge > 0 && (
        <Box
          component="span"
          aria-label={say("waiting", { badge })}
          sx={{
            position: "absolute",
            top: 7,
            right: narrow ? "calc(50% - 28px)" : "11px",
            bgcolor: "secondary.main",
            color: "secondary.contrastText",
            minWidth: 18,
            height: 18,
            fontSize: 12,
            lineHeight: "18px",
            fontWeight: 650,
            textAlign: "center",
            borderRadius: "2px",
            zIndex: 1,
          }}
        >
          {badge}
        </Box>
      )}
      <svg
        width="22"
        height="22"
        viewBox="0 0 22 22"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
        aria-hidden="true"
      >
        {icon}
      </svg>
      {label}
    </ButtonBase>
  );
}
