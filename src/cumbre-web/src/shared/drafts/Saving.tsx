import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useBlocker } from "react-router";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { moment } from "../ui/format";
import { askingOnLeaving, type Clash, type DraftSnapshot, type SaveState } from "./draft";
import { say as word } from "../../words/common";
import { say } from "../../words/drafts";

const words: Record<SaveState, string> = {
  saved: word("saved"),
  waiting: say("notSavedYet"),
  saving: say("wordSaving"),
  unreachable: say("keptOnThisDeviceSentWhenThe"),
  refused: say("notSaved"),
  clash: say("changedElsewhere"),
};

const bad = (state: SaveState) => state === "refused" || state === "clash";

/** How far storing is, in words, and a way on where it was refused. */
export function SaveWords<T>({
  state,
  failure,
  retry,
}: Pick<DraftSnapshot<T>, "state" | "failure"> & { retry: () => unknown }) {
  return (
    <>
      <Box component="span" role="status" sx={{ color: bad(state) ? "error.main" : "inherit" }}>
        {words[state]}
      </Box>
      {failure && (
        <Box component="span" role="alert" sx={{ color: "error.main" }}>
          {": "}
          {failure.message}{" "}
          <Button size="small" variant="text" onClick={() => void retry()} sx={{ minHeight: 20, py: 0 }}>
            {say("tryAgain")}
          </Button>
        </Box>
      )}
    </>
  );
}

/** What lay on the device stands here again. */
export function Restored({ at, undo, seen }: { at: string | null; undo?: () => void; seen: () => void }) {
  if (at === null) return null;
  return (
    <Alert
      severity="info"
      icon={false}
      onClose={seen}
      sx={{ mt: 3 }}
      action={
        undo && (
          <>
            <Button
              size="small"
              onClick={() => {
                undo();
                seen();
              }}
            >
              {say("undoIt")}
            </Button>
            <Button size="small" onClick={seen}>
              {say("keepIt")}
            </Button>
          </>
        )
      }
    >
      {say("whatWasTypedOnHadNotBeen", { at: moment(at) })}
    </Alert>
  );
}

/** What somebody else wrote in the same places: each is asked, showing both. */
export function Clashes<T>({
  clashes,
  who,
  decide,
}: {
  clashes: readonly Clash<T>[];
  who: string | null;
  decide: (whose: "mine" | "theirs", key?: string) => void;
}) {
  if (clashes.length === 0) return null;
  return (
    <Alert severity="warning" icon={false} sx={{ mt: 3 }} data-testid="clashes">
      <b>
        {say("wroteTheSameInAnotherWindowOr", {
          who: who ?? say("somebody"),
          lines: clashes.length,
        })}
      </b>{" "}
      {say("everythingElseHasBeenPutTogether")}
      <Box component="ul" sx={{ m: 0, mt: 1, p: 0, listStyle: "none", fontSize: 14 }}>
        {clashes.map((c) => (
          <Box component="li" key={c.key} sx={{ py: 1 }}>
            <b>{c.where}</b>
            {(["mine", "theirs"] as const).map((whose) => (
              <Box key={whose} sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
                <Typography variant="body2" sx={{ width: 56 }}>
                  {whose === "mine" ? say("yours") : say("stored")}
                </Typography>
                <span>{c[whose] || say("nothing")}</span>
                <Button
                  size="small"
                  onClick={() => decide(whose, c.key)}
                  aria-label={`${whose === "mine" ? say("keepYours") : say("takeTheStoredOne")}: ${c.where}`}
                  sx={{ minHeight: 24, py: 0 }}
                >
                  {whose === "mine" ? say("keepYours") : say("takeIt")}
                </Button>
              </Box>
            ))}
          </Box>
        ))}
      </Box>
      {clashes.length > 1 && (
        <Box sx={{ display: "flex", gap: 2, mt: 1 }}>
          <Button size="small" onClick={() => decide("mine")}>
            {say("keepAllOfMine")}
          </Button>
          <Button size="small" onClick={() => decide("theirs")}>
            {say("takeAllThatIsStored")}
          </Button>
        </Box>
      )}
      <Typography variant="body2">{say("undoGoesBackEitherWay")}</Typography>
    </Alert>
  );
}

/** Asks before a page is left with something that is not stored: once for the whole app. */
export function AskOnLeaving() {
  const leaving = useBlocker(
    ({ currentLocation, nextLocation }) =>
      currentLocation.pathname !== nextLocation.pathname && askingOnLeaving() !== null,
  );
  if (leaving.state !== "blocked") return null;
  const state = askingOnLeaving();
  return (
    <ConfirmDialog
      title={say("leaveBeforeItIsStored")}
      verb={say("leave")}
      busy={false}
      onConfirm={() => leaving.proceed()}
      onClose={() => leaving.reset()}
    >
      {state === "clash"
        ? say("somebodyElseWroteTheSameLineStay")
        : state === "refused"
          ? say("theServerDidNotTakeTheLast")
          : state === "unreachable"
            ? say("theServerCannotBeReachedWhatYou")
            : say("whatYouTypedIsKeptOnThis")}
    </ConfirmDialog>
  );
}
