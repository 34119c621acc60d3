import Skeleton from "@mui/material/Skeleton";
import Typography from "@mui/material/Typography";
import type { Decision } from "../api/types";
import { QuietButton } from "../ui/QuietButton";
import { ChangeList, shownFirst } from "./ChangeList";
import { useDetails } from "./useDetails";
import { say } from "../../words/decisions";

interface Props {
  decision: Decision;
  also: string[];
  onAlso: (items: string[]) => void;
}

/** What accepting changes, with its room kept until it is here. */
export function Changes({ decision, also, onAlso }: Props) {
  const { details, failed, again } = useDetails(decision);
  const lines = Math.min(decision.changedItems, shownFirst + 1);
  if (details) return <ChangeList changes={details.changes} also={also} onAlso={onAlso} />;
  if (lines === 0) return null;
  if (failed)
    return (
      <Typography variant="body2" color="error" role="alert" sx={{ mt: 1 }}>
        {say("whatItChangesCouldNotBeRead")} <QuietButton onClick={again}>{say("tryAgain")}</QuietButton>
      </Typography>
    );
  return <Skeleton variant="rectangular" height={lines * 19} sx={{ mt: 1 }} />;
}
