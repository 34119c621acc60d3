import Typography from "@mui/material/Typography";
import { say } from "../../words/run";
import { useDevice } from "./deviceHere";

/** What the device has, and what waits: one quiet line, in words. */
export function SyncLine({ nothing = false }: { nothing?: boolean }) {
  const { entries, account, lasts, full, refusal } = useDevice();
  const waiting = entries.filter((e) => e.account === account && e.state !== "sent").length;
  const warns = !lasts || full;
  return (
    <Typography
      role="status"
      color={warns || refusal ? "warning" : "textSecondary"}
      sx={{ fontSize: 15, lineHeight: "20px" }}
    >
      {refusal && waiting > 0
        ? say("refusedAll", { reason: refusal })
        : warns
          ? say(full ? "full" : "onlyInPage")
          : waiting > 0
            ? say("savedWaiting", { waiting })
            : say(!nothing ? "savedAll" : window.isSecureContext ? "savingNothing" : "savedOnly")}
    </Typography>
  );
}
