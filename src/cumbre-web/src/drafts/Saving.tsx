import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useBlocker } from "react-router";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { moment } from "../ui/format";
import { askingOnLeaving, type Clash, type DraftSnapshot, type SaveState } from "./draft";

const words: Record<SaveState, string> = {
  saved: "saved",
  waiting: "not saved yet",
  saving: "saving",
  unreachable: "kept on this device, sent when the server is back",
  refused: "not saved",
  clash: "changed elsewhere",
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
            Try again
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
            <Button size="small" onClick={undo}>
              Undo it
            </Button>
            <Button size="small" onClick={seen}>
              Keep it
            </Button>
          </>
        )
      }
    >
      What was typed on {moment(at)} had not been stored. It stands here again.
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
        {who ?? "Somebody"} wrote the same {clashes.length === 1 ? "line" : "lines"} in another window or elsewhere.
      </b>{" "}
      Everything else has been put together.
      <Box component="ul" sx={{ m: 0, mt: 1, p: 0, listStyle: "none", fontSize: 14 }}>
        {clashes.map((c) => (
          <Box component="li" key={c.key} sx={{ py: 1 }}>
            <b>{c.where}</b>
            {(["mine", "theirs"] as const).map((whose) => (
              <Box key={whose} sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
                <Typography variant="body2" sx={{ width: 56 }}>
                  {whose === "mine" ? "Yours" : "Stored"}
                </Typography>
                <span>{c[whose] || "nothing"}</span>
                <Button
                  size="small"
                  onClick={() => decide(whose, c.key)}
                  aria-label={`${whose === "mine" ? "Keep yours" : "Take the stored one"}: ${c.where}`}
                  sx={{ minHeight: 24, py: 0 }}
                >
                  {whose === "mine" ? "Keep yours" : "Take it"}
                </Button>
              </Box>
            ))}
          </Box>
        ))}
      </Box>
      {clashes.length > 1 && (
        <Box sx={{ display: "flex", gap: 2, mt: 1 }}>
          <Button size="small" onClick={() => decide("mine")}>
            Keep all of mine
          </Button>
          <Button size="small" onClick={() => decide("theirs")}>
            Take all that is stored
          </Button>
        </Box>
      )}
      <Typography variant="body2">Undo goes back either way.</Typography>
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
      title="Leave before it is stored?"
      verb="Leave"
      busy={false}
      onConfirm={() => leaving.proceed()}
      onClose={() => leaving.reset()}
    >
      {state === "clash"
        ? "Somebody else wrote the same line. Stay to choose; what you typed is kept on this device until then."
        : state === "refused"
          ? "The server did not take the last changes. They are kept on this device; stay to mend them."
          : state === "unreachable"
            ? "The server cannot be reached. What you typed is kept on this device and is sent when the server is back."
            : "What you typed is kept on this device, but it is not stored yet."}
    </ConfirmDialog>
  );
}
