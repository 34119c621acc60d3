import Box from "@mui/material/Box";
import { useColorScheme } from "@mui/material/styles";
import { lazy, Suspense, useEffect } from "react";
import { createBrowserRouter, Navigate, Outlet, RouterProvider, useRouteError } from "react-router";
import { useMe, useSignedIn } from "../shared/account/useMe";
import { device } from "../shared/run/deviceHere";
import { FirstHourList, SampleClub } from "./FirstHour";
import { Shell } from "./Shell";
import { useSignOut } from "./useShellCommands";
import { Empty, FailedPage, Loading } from "../shared/ui/states";
import { WhyProvider } from "../shared/why/WhyContext";
import { say } from "../words/app";
import { say as people } from "../words/people";
import { habits, setHabits } from "../words/habits";

const OwnerPage = lazy(() => import("../features/accounts/OwnerPage"));
const SignInPage = lazy(() => import("../features/accounts/SignInPage"));
const DeskPage = lazy(() => import("../features/desk/DeskPage"));
const RosterPage = lazy(() => import("../features/roster/RosterPage"));
const OverviewPage = lazy(() => import("../features/overview/OverviewPage"));
const AthleteMovementPage = lazy(() => import("../features/athlete/MovementPage"));
const ReviewPage = lazy(() => import("../features/review/ReviewPage"));
const TrendsPage = lazy(() => import("../features/trends/TrendsPage"));
const AthleteLaddersPage = lazy(() => import("../features/ladders/AthleteLaddersPage"));
const AtlasPage = lazy(() => import("../features/ladders/AtlasPage"));
const LadderPage = lazy(() => import("../features/ladders/LadderPage"));
const EditLadderPage = lazy(() => import("../features/ladders/edit/EditLadderPage"));
const TestDaysPage = lazy(() => import("../features/testdays/TestDaysPage"));
const EditTestDayPage = lazy(() => import("../features/testdays/EditTestDayPage"));
const SheetPage = lazy(() => import("../features/testdays/SheetPage"));
const OutcomePage = lazy(() => import("../features/testdays/OutcomePage"));
const TestDayPrint = lazy(() => import("../features/testdays/TestDayPrint"));
const ProgrammesPage = lazy(() => import("../features/blocks/ProgrammesPage"));
const ProgrammeRoute = lazy(() => import("./ProgrammeRoute"));
const SheetsPage = lazy(() => import("../features/publish/SheetsPage"));
const ComparePage = lazy(() => import("../features/compare/ComparePage"));
const OutboxPage = lazy(() => import("../features/publish/OutboxPage"));
const ImportBlockPage = lazy(() => import("../features/publish/ImportBlockPage"));
const GeneratePage = lazy(() => import("../features/generate/GeneratePage"));
const GroupPage = lazy(() => import("../features/groups/GroupPage"));
const GroupSheet = lazy(() => import("../features/groups/GroupSheet"));
const JoinPage = lazy(() => import("../features/accounts/JoinPage"));
const ClubPage = lazy(() => import("../features/club/ClubPage"));
const PeoplePage = lazy(() => import("../features/people/PeoplePage"));
const PrivacyPage = lazy(() => import("../features/privacy/PrivacyPage"));
const AuditPage = lazy(() => import("../features/audit/AuditPage"));
const PersonPage = lazy(() => import("./PersonPage"));
const WardsPage = lazy(() => import("../features/accounts/WardsPage"));
const AccountPage = lazy(() => import("../features/accounts/AccountPage"));
const HelpPage = lazy(() => import("../features/help/HelpPage"));
const MessagesPage = lazy(() => import("../features/help/MessagesPage"));
const GlossaryPage = lazy(() => import("../features/help/GlossaryPage"));
const BlockRoute = lazy(() => import("./BlockRoute"));
const KitPage = lazy(() => import("../features/kit/KitPage"));
const EditMovementPage = lazy(() => import("../features/ladders/edit/EditMovementPage"));
const ImportPage = lazy(() => import("../features/ladders/edit/ImportPage"));
const MovementPage = lazy(() => import("../features/ladders/MovementPage"));
const IntakePage = lazy(() => import("../features/athlete/IntakePage"));
const NewAthletePage = lazy(() => import("../features/athlete/NewAthletePage"));
const ProfilePage = lazy(() => import("../features/athlete/ProfilePage"));
const SessionPage = lazy(() => import("../features/session/SessionPage"));
const RunPage = lazy(() => import("../features/run/RunPage"));
const BoardPage = lazy(() => import("../features/board/BoardPage"));
const ClassPage = lazy(() => import("../features/board/ClassPage"));
const TodayPage = lazy(() => import("../features/today/TodayPage"));
const ProgressPage = lazy(() => import("../features/mine/ProgressPage"));
const LogbookPage = lazy(() => import("../features/logbook/LogbookPage"));
const ClubReviewPage = lazy(() => import("../features/clubreview/ClubReviewPage"));
const ExchangePage = lazy(() => import("../features/exchange/ExchangePage"));
const LogPage = lazy(() => import("../features/mine/LogPage"));
const MePage = lazy(() => import("../features/mine/MePage"));
const Preferences = lazy(() => import("./Preferences"));
const PrintPage = lazy(() => import("../features/publish/SessionPrintPage"));

const router = createBrowserRouter([
  { path: "/join", element: <Door />, errorElement: <Broken /> },
  {
    element: <Gatekeeper />,
    errorElement: <Broken />,
    children: [
      { path: "/athletes/:athleteId/sessions/:sessionId/print", element: <PrintPage /> },
      { path: "/athletes/:athleteId/blocks/:blockId/print", element: <SheetsPage /> },
      { path: "/athletes/:athleteId/blocks/:blockId/review", element: <ReviewPage /> },
      { path: "/groups/:id/print", element: <GroupSheet /> },
      { path: "/test-days/:id/print", element: <TestDayPrint /> },
      { path: "/run/:athleteId/:sessionId", element: <RunPage /> },
      { path: "/board", element: <BoardPage /> },
      {
        element: <Frame />,
        children: [
          { path: "/", element: <Home /> },
          { path: "/progress", element: <OwnOnly page={<ProgressPage />} /> },
          { path: "/log", element: <OwnOnly page={<LogPage />} /> },
          { path: "/me", element: <OwnOnly page={<Me />} /> },
          { path: "/roster", element: <RosterPage /> },
          { path: "/athletes/new", element: <NewAthletePage /> },
          { path: "/athletes/:athleteId", element: <OverviewPage /> },
          { path: "/athletes/:athleteId/movement", element: <AthleteMovementPage /> },
          { path: "/athletes/:athleteId/trends", element: <TrendsPage /> },
          { path: "/athletes/:athleteId/ladders", element: <AthleteLaddersPage /> },
          { path: "/programmes", element: <ProgrammesPage /> },
          { path: "/athletes/:athleteId/programme", element: <ProgrammeRoute /> },
          { path: "/athletes/:athleteId/generate", element: <GeneratePage key="new" /> },
          { path: "/athletes/:athleteId/import", element: <ImportBlockPage /> },
          { path: "/groups/new", element: <GroupPage key="new" /> },
          { path: "/groups/:id", element: <GroupPage /> },
          { path: "/compare", element: <ComparePage /> },
          { path: "/outbox", element: <OutboxPage /> },
          { path: "/outbox/:id", element: <OutboxPage /> },
          { path: "/athletes/:athleteId/blocks/:blockId", element: <BlockRoute /> },
          { path: "/athletes/:athleteId/blocks/:blockId/generate", element: <GeneratePage /> },
          { path: "/class", element: <ClassPage /> },
          { path: "/logbook", element: <LogbookPage /> },
          { path: "/exchange", element: <ExchangePage /> },
          { path: "/review", element: <ClubReviewPage /> },
          { path: "/kit", element: <KitPage /> },
          { path: "/athletes/:athleteId/kit", element: <KitPage /> },
          { path: "/test-days", element: <TestDaysPage /> },
          { path: "/test-days/new", element: <EditTestDayPage key="new" /> },
          { path: "/test-days/:id", element: <SheetPage /> },
          { path: "/test-days/:id/edit", element: <EditTestDayPage /> },
          { path: "/test-days/:id/outcome", element: <OutcomePage /> },
          { path: "/ladders", element: <AtlasPage /> },
          { path: "/ladders/new", element: <EditLadderPage key="new" /> },
          { path: "/ladders/import", element: <ImportPage /> },
          { path: "/ladders/:slug", element: <LadderPage /> },
          { path: "/ladders/:slug/edit", element: <EditLadderPage /> },
          { path: "/movements/new", element: <EditMovementPage key="new" /> },
          { path: "/movements/:slug", element: <MovementPage /> },
          { path: "/movements/:slug/edit", element: <EditMovementPage /> },
          { path: "/athletes/:athleteId/intake", element: <IntakePage /> },
          { path: "/athletes/:athleteId/profile", element: <ProfilePage /> },
          { path: "/athletes/:athleteId/sessions/:sessionId", element: <SessionPage /> },
          { path: "/help", element: <HelpPage sample={<SampleClub withHelp={false} />} /> },
          { path: "/athletes/:athleteId/privacy", element: <PersonPage /> },
          { path: "/club", element: <OwnersOnly page={<ClubPage />} /> },
          { path: "/people", element: <OwnersOnly page={<PeoplePage />} /> },
          { path: "/privacy", element: <PrivacyPage /> },
          { path: "/audit", element: <OwnersOnly page={<AuditPage />} /> },
          { path: "/account", element: <AccountPage /> },
          { path: "/messages", element: <MessagesPage /> },
          { path: "/glossary", element: <GlossaryPage /> },
          { path: "*", element: <Lost /> },
        ],
      },
    ],
  },
]);

export function App() {
  return <RouterProvider router={router} />;
}

/** Where the theme engine keeps what was chosen on this device. */
function hasChosen() {
  try {
    return localStorage.getItem("mui-mode") !== null;
  } catch {
    return true;
  }
}

/** Nobody gets past without an account; the first start asks for the owner's. */
function Gatekeeper() {
  const me = useMe();
  const { mode, setMode } = useColorScheme();
  const isAthlete = me.data?.account?.role === "athlete";
  // Read in a dark hall and out of doors at night: dark until the athlete chooses otherwise.
  useEffect(() => {
    if (isAthlete && mode !== undefined && !hasChosen()) setMode("dark");
  }, [isAthlete, mode, setMode]);
  if (me.isPending) return <Loading label={say("starting")} />;
  if (me.isError) return <FailedPage error={me.error} retry={() => void me.refetch()} />;
  if (me.data.account) {
    const own = me.data.account.habits;
    setHabits({ ...own, firstDay: own.firstDay ?? me.data.clubFirstDay ?? null });
    // What waits on this device is sent from whatever page is open.
    void device.start(me.data.account.id);
  }
  return (
    // Other habits are another page: everything on it is written anew.
    <Suspense key={JSON.stringify(habits())} fallback={<Loading />}>
      {me.data.needsOwner ? <OwnerPage /> : me.data.account ? <Outlet /> : <SignInPage />}
    </Suspense>
  );
}

/** Where a link lets somebody in, whoever is signed in on this device. */
function Door() {
  return (
    <Suspense fallback={<Loading />}>
      <JoinPage />
    </Suspense>
  );
}

function Frame() {
  return (
    <WhyProvider>
      <Shell>
        <Suspense fallback={<Loading />}>
          <Outlet />
        </Suspense>
      </Shell>
    </WhyProvider>
  );
}

function Home() {
  const account = useMe().data?.account;
  const ward = account?.wards.length === 1 ? account.wards[0]!.id : null;
  return account?.athleteId ? (
    <TodayPage />
  ) : ward ? (
    <Navigate to={`/athletes/${ward}`} replace />
  ) : account?.role === "guardian" ? (
    <WardsPage />
  ) : (
    <DeskPage opening={<FirstHourList />} />
  );
}

function Me() {
  const signOut = useSignOut();
  return (
    <MePage
      preferences={(close) => (
        <Suspense fallback={null}>
          <Preferences onClose={close} />
        </Suspense>
      )}
      signOut={{ run: () => signOut.mutate(), busy: signOut.isPending, error: signOut.error }}
    />
  );
}

/** What an athlete reads about themselves; whoever is none has no such page. */
function OwnOnly({ page }: { page: React.ReactNode }) {
  return useSignedIn().account.athleteId ? page : <Lost />;
}

function OwnersOnly({ page }: { page: React.ReactNode }) {
  if (useSignedIn().isOwner) return page;
  return (
    <Box sx={{ px: 6 }}>
      <Empty page title={people("onlyTheOwner")}>
        {people("askTheOwner")}
      </Empty>
    </Box>
  );
}

/** A fault of the page itself: said plainly, with the way on. */
function Broken() {
  const error = useRouteError();
  return <FailedPage error={error} retry={() => window.location.reload()} />;
}

function Lost() {
  return (
    <Box sx={{ px: 6 }}>
      <Empty page title={say("thereIsNoSuchPlace")}>
        {say("theAddressMayBeMistypedTheRail")}
      </Empty>
    </Box>
  );
}
